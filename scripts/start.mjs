// `npm start`: everything from a bare clone to a served address, and back down cleanly.
import {
  accessSync,
  closeSync,
  constants,
  existsSync,
  mkdirSync,
  openSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { answers, prepareDatabase, startApp } from './lib/app.mjs';
import { backupFolder, nightly } from './lib/backups.mjs';
import { ensurePostgres } from './lib/debian.mjs';
import { takeFolder } from './lib/lock.mjs';
import { turnOver } from './lib/logs.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { cluster, ensureDatabase, projectDatabase, startCluster, stopCluster } from './lib/postgres.mjs';
import { dataFolder } from './lib/project.mjs';
import { freePort, gone, sleep } from './lib/run.mjs';
import { giveUp, say } from './lib/say.mjs';
import { ensureBuilt } from './lib/sources.mjs';

const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 4321);
if (!Number.isInteger(port) || port < 1 || port > 65535)
  giveUp(`PORT is “${process.env.PORT}”: it must be a number from 1 to 65535.`);
const url = `http://${host.includes(':') ? `[${host}]` : host}:${port}`;
/** Where it is reached: by this machine, and where it serves everywhere by others too. */
const reachedAt = () =>
  ['0.0.0.0', '::'].includes(host)
    ? [
        `http://127.0.0.1:${port}`,
        ...Object.values(os.networkInterfaces())
          .flatMap((of) => of ?? [])
          .filter(({ family, internal }) => family === 'IPv4' && !internal)
          .map(({ address }) => `http://${address}:${port}`),
      ]
    : [url];
/** Without the demo, from the first start on. */
const empty = process.argv.includes('--empty');
const folder = dataFolder();
const run = path.join(folder, 'run.json');
const logs = ['app.log', 'postgres.log'].map((name) => path.join(folder, name));

/** Makes a folder, level by level: made in one go, it is tried for ever where the system makes none. */
function makeFolder(place) {
  if (existsSync(place)) return;
  makeFolder(path.dirname(place));
  try {
    mkdirSync(place);
  } catch (error) {
    // Another may have made it meanwhile.
    if (error.code !== 'EEXIST') throw error;
  }
}

/** Makes the data folder; says in a sentence where it cannot be written. */
function ensureFolder() {
  try {
    makeFolder(folder);
    accessSync(folder, constants.W_OK);
    // A name of its own: others may be trying the same folder in the same moment.
    const trial = path.join(folder, `.writable-${process.pid}`);
    writeFileSync(trial, '');
    rmSync(trial, { force: true });
  } catch (error) {
    giveUp(
      `${folder} cannot be written (${error.code}): make room or give leave, or set ANTLER_DATA_DIR to another folder.`,
    );
  }
}

let stopping = false;
let app;
let keepLock;
let database;

async function stop(code = 0) {
  if (stopping) return;
  stopping = true;
  say('stopping');
  if (app && app.exitCode === null && app.signalCode === null) {
    app.kill('SIGTERM');
    if (!(await gone(app.pid, 10_000))) app.kill('SIGKILL');
  }
  if (database) await stopCluster(database);
  rmSync(run, { force: true });
  process.exit(code);
}
process.on('SIGINT', () => void stop());
process.on('SIGTERM', () => void stop());
process.on('SIGHUP', () => void stop());

/** The app is started again when it dies, unless it keeps dying while its database is well. */
function keepApp(start) {
  const deaths = [];
  const watch = (child) =>
    child.on('exit', async () => {
      if (stopping) return;
      if (!databaseWell()) deaths.length = 0;
      deaths.push(performance.now());
      if (deaths.filter((at) => at > performance.now() - 60_000).length > 5) {
        console.error(`antler: the app keeps stopping: see ${logs[0]}`);
        return void stop(1);
      }
      say('the app stopped by itself: starting it again');
      await sleep(500);
      if (!stopping) watch(start());
    });
  watch(start());
}

/** The database is started again when it dies, for as long as it takes, waiting longer each time; the app says so meanwhile. */
function keepDatabase(ours) {
  const { port } = database;
  const watch = ({ child }) =>
    child.on('exit', async () => {
      if (stopping) return;
      say('the database stopped by itself: starting it again');
      for (let wait = 500; !stopping; wait = Math.min(30_000, wait * 2)) {
        await sleep(wait);
        if (stopping) return;
        try {
          database = await startCluster(ours, port);
          return watch(database);
        } catch (error) {
          say(`the database does not start: ${error.message}. It is tried again.`);
        }
      }
    });
  watch(database);
}
const databaseWell = () =>
  !database || (database.child.exitCode === null && database.child.signalCode === null);

/** Brings the database up to date and fills an empty one; where it dies under that, again when it is back. */
async function prepare(databaseUrl) {
  for (let attempt = 1; ; attempt++)
    try {
      return prepareDatabase(
        databaseUrl,
        ['backup-before', backupFolder()],
        'migrate',
        empty ? 'empty' : 'seed',
      );
    } catch (error) {
      // What happened to the database meanwhile is heard only now.
      await sleep(200);
      if (attempt >= 20 || (databaseWell() && attempt >= 3)) throw error;
      await sleep(Math.min(5_000, 500 * attempt));
    }
}

try {
  await ensurePackages();
  ensureFolder();
  keepLock = await takeFolder(path.join(folder, 'lock'), run, url);
  turnOver(logs);
  setInterval(() => turnOver(logs), 60_000).unref();
  if ((await freePort(port)) !== port)
    throw new Error(`port ${port} is taken by another program: set PORT to another.`);
  ensureBuilt();
  let databaseUrl = process.env.DATABASE_URL;
  if (!databaseUrl) {
    const ours = cluster(await ensurePostgres(), folder);
    database = await startCluster(ours);
    ensureDatabase(database, projectDatabase);
    databaseUrl = database.url(projectDatabase);
    keepDatabase(ours);
  }
  await prepare(databaseUrl);
  keepApp(() => {
    const log = openSync(logs[0], 'a');
    app = startApp({
      databaseUrl,
      host,
      port,
      stdio: ['ignore', log, log],
      env: { ANTLER_DATA_DIR: folder, ...(database ? { ANTLER_CLUSTER: database.folder } : {}) },
    });
    closeSync(log);
    keepLock({ app: app.pid });
    return app;
  });
  if (!(await answers(reachedAt()[0], app))) throw new Error(`nothing answers at ${url}: see ${logs[0]}`);
  const keepNightly = () =>
    nightly(databaseUrl).catch((error) => say(`tonight's backup was not made: ${error.message}`));
  for (const [when, every] of [
    [setTimeout, 60_000],
    [setInterval, 3_600_000],
  ])
    when(() => void keepNightly(), every).unref();
  say(`ready at ${reachedAt().join(' and ')}  (Ctrl-C stops it; its log is ${logs[0]})`);
} catch (error) {
  console.error(`antler: ${error.message}`);
  await stop(1);
}
