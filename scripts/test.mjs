// `npm test`: all tests against a throwaway database, ending with a line `N passed, N failed`.
import { randomBytes } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, rmSync, chmodSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import {
  ensureChromium,
  ensureGlpsol,
  ensureNgspice,
  ensurePostgres,
  ensureRenderers,
} from './lib/debian.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { cluster, startCluster, stopCluster } from './lib/postgres.mjs';
import { inProject } from './lib/project.mjs';
import { passOn } from './lib/run.mjs';
import { ensureBuilt } from './lib/sources.mjs';

await ensurePackages();
const bin = await ensurePostgres();
const chromium = await ensureChromium();
const ngspice = await ensureNgspice();
const glpsol = await ensureGlpsol();
await ensureRenderers();
ensureBuilt();

const folder = mkdtempSync(path.join(os.tmpdir(), 'antler-test-'));
chmodSync(folder, 0o755);
let database;
/** On a server that stays, what the tests copied their databases from is taken away again. */
async function dropPatterns(url) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  for (const kind of ['migrated', 'seeded'])
    await client.query(`drop database if exists test_${run}_${kind}`);
  await client.end();
}

const run = randomBytes(4).toString('hex');
let interrupted = false;
process.on('SIGINT', () => (interrupted = true));
process.on('SIGTERM', () => (interrupted = true));
let code = 1;
try {
  if (!process.env.DATABASE_URL) database = await startCluster(cluster(bin, folder));
  const env = {
    ...process.env,
    NODE_ENV: 'test',
    ANTLER_TEST_SERVER: process.env.DATABASE_URL ?? database.url('postgres'),
    ANTLER_TEST_RUN: run,
    ANTLER_TEST_POSTGRES: bin,
    ANTLER_TEST_CHROMIUM: chromium,
    ANTLER_TEST_NGSPICE: ngspice,
    ANTLER_TEST_GLPSOL: glpsol,
  };
  /** Runs these, and counts. */
  const counted = async (args, more = {}) => {
    const report = path.join(folder, `${randomBytes(4).toString('hex')}.json`);
    const ended = await passOn(
      inProject('node_modules', '.bin', 'vitest'),
      ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${report}`, ...args],
      { cwd: inProject(), env: { ...env, ...more } },
    );
    // One that broke off has written nothing; what runs beside it comes to its end.
    if (!existsSync(report)) return { ended, passed: 0, failed: 1 };
    const {
      numPassedTests: passed,
      numFailedTests: failed,
      numFailedTestSuites: suites,
      success,
    } = JSON.parse(readFileSync(report, 'utf8'));
    return { ended, passed, failed: failed + (failed === 0 && !success ? Math.max(1, suites) : 0) };
  };
  const asked = process.argv.slice(2);
  const groups = (...names) => names.flatMap((name) => ['--project', name]);
  const counts = [];
  if (asked.length > 0) counts.push(await counted(asked));
  else {
    counts.push(await counted(groups('core', 'around')));
    // What waits for a database or a process leaves most of a core to the browser; what measures has nothing beside it.
    const beside = { ANTLER_TEST_BESIDE: '1' };
    if (!interrupted)
      counts.push(
        ...(await Promise.all([
          counted(groups('server', 'external'), beside),
          counted(groups('browser'), beside),
        ])),
      );
    if (!interrupted) counts.push(await counted(groups('alone')));
  }
  const sum = (what) => counts.reduce((all, each) => all + each[what], 0);
  const [passed, failures] = [sum('passed'), sum('failed')];
  code = counts.some(({ ended }) => ended !== 0) ? 1 : 0;
  console.log(`${passed} passed, ${failures} failed`);
  if (failures > 0 || passed === 0) code = 1;
} catch (error) {
  console.error(`antler: ${error.message}`);
} finally {
  if (database) await stopCluster(database);
  else await dropPatterns(process.env.DATABASE_URL);
  rmSync(folder, { recursive: true, force: true });
}
process.exit(interrupted ? 130 : code);
