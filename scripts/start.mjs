// `npm start`: everything from a bare clone to a served address, and back down cleanly.
import { closeSync, existsSync, mkdirSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { answers, prepareDatabase, startApp } from './lib/app.mjs';
import { ensurePostgres } from './lib/debian.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { cluster, ensureDatabase, projectDatabase, startCluster, stopCluster } from './lib/postgres.mjs';
import { dataFolder } from './lib/project.mjs';
import { commandLine, freePort, gone, isAlive, sleep } from './lib/run.mjs';
import { giveUp, say } from './lib/say.mjs';
import { ensureBuilt } from './lib/sources.mjs';

const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 4321);
if (!Number.isInteger(port) || port < 1 || port > 65535)
  giveUp(`PORT is “${process.env.PORT}”: it must be a number from 1 to 65535.`);
const url = `http://${host.includes(':') ? `[${host}]` : host}:${port}`;
const lock = path.join(dataFolder(), 'run.json');

/** One Antler on one data folder. A lock left by a killed one is taken over, with what it left running. */
async function takeLock() {
  mkdirSync(dataFolder(), { recursive: true });
  if (existsSync(lock)) {
    const left = readLock();
    if (
      left.pid &&
      left.pid !== process.pid &&
      isAlive(left.pid) &&
      commandLine(left.pid).includes('start.mjs')
    )
      giveUp(`already running at ${left.url} (process ${left.pid}).`);
    if (left.app && isAlive(left.app) && commandLine(left.app).includes('entry.mjs')) {
      process.kill(left.app, 'SIGTERM');
      await gone(left.app, 5_000);
    }
    say('the last run ended without stopping: recovering');
  }
  keepLock({});
}
/** What the lock says; nothing, where its writer was killed half-way. */
function readLock() {
  try {
    return JSON.parse(readFileSync(lock, 'utf8'));
  } catch {
    return {};
  }
}
const keepLock = (more) => writeFileSync(lock, JSON.stringify({ pid: process.pid, url, ...more }));

let stopping = false;
let app;
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
  rmSync(lock, { force: true });
  process.exit(code);
}
process.on('SIGINT', () => void stop());
process.on('SIGTERM', () => void stop());
process.on('SIGHUP', () => void stop());

/** Starts again what dies by itself, unless it keeps dying. */
function keepAlive(name, start) {
  const deaths = [];
  const watch = (child) =>
    child.on('exit', async () => {
      if (stopping) return;
      deaths.push(performance.now());
      if (deaths.filter((at) => at > performance.now() - 60_000).length > 5) {
        console.error(`antler: ${name} keeps stopping: see ${dataFolder()}`);
        return void stop(1);
      }
      say(`${name} stopped by itself: starting it again`);
      await sleep(500);
      if (!stopping) watch(await start());
    });
  return watch;
}

try {
  await ensurePackages();
  await takeLock();
  if ((await freePort(port)) !== port)
    throw new Error(`port ${port} is taken by another program: set PORT to another.`);
  ensureBuilt();
  let databaseUrl = process.env.DATABASE_URL;
  if (!databaseUrl) {
    const ours = cluster(await ensurePostgres(), dataFolder());
    database = await startCluster(ours);
    const { port: databasePort } = database;
    ensureDatabase(database, projectDatabase);
    databaseUrl = database.url(projectDatabase);
    keepAlive(
      'the database',
      async () => (database = await startCluster(ours, databasePort)).child,
    )(database.child);
  }
  prepareDatabase(databaseUrl, 'migrate', 'seed');
  const serve = () => {
    const log = openSync(path.join(dataFolder(), 'app.log'), 'a');
    app = startApp({ databaseUrl, host, port, stdio: ['ignore', log, log] });
    closeSync(log);
    keepLock({ app: app.pid });
    return app;
  };
  keepAlive('the app', serve)(serve());
  if (!(await answers(url, app)))
    throw new Error(`nothing answers at ${url}: see ${path.join(dataFolder(), 'app.log')}`);
  say(`ready at ${url}  (Ctrl-C stops it; its log is ${path.join(dataFolder(), 'app.log')})`);
} catch (error) {
  console.error(`antler: ${error.message}`);
  await stop(1);
}
