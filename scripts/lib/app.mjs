import { spawn } from 'node:child_process';
import { inProject } from './project.mjs';
import { must, sleep } from './run.mjs';

/** Brings the schema up to date and, with `seed`, loads the demo company into an empty database. */
export const prepareDatabase = (databaseUrl, ...commands) =>
  commands.map((command) =>
    must(process.execPath, admin([command].flat()), {
      env: { ...process.env, DATABASE_URL: databaseUrl },
    }),
  );

const admin = (args) => [inProject('dist', 'admin.mjs'), ...args];

/** Asks the administration for something that may take long, without holding up whoever asks. Resolves to what it says. */
export const spawnAdmin = (databaseUrl, ...args) =>
  new Promise((resolve, reject) => {
    const child = spawn(process.execPath, admin(args), {
      env: { ...process.env, DATABASE_URL: databaseUrl },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let out = '';
    let err = '';
    child.stdout.on('data', (data) => (out += data));
    child.stderr.on('data', (data) => (err += data));
    child.on('error', reject);
    child.on('exit', (code) =>
      code === 0 ? resolve(out.trim()) : reject(new Error(err.trim() || out.trim())),
    );
  });

/** Starts the server; what it logs goes to `stdio`. `env` says more to it: where the house is kept, how it is called. */
export function startApp({ databaseUrl, host, port, stdio, env = {} }) {
  return spawn(process.execPath, [inProject('dist', 'serve.mjs')], {
    cwd: inProject(),
    stdio,
    detached: true,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      HOST: host,
      PORT: String(port),
      ASTRO_NODE_LOGGING: 'disabled',
      ...env,
    },
  });
}

/** Waits until the app answers at all; resolves to whether it did. */
export async function answers(url, child, milliseconds = 30_000) {
  const until = performance.now() + milliseconds;
  while (performance.now() < until && child.exitCode === null && child.signalCode === null) {
    try {
      if ((await fetch(`${url}/api/health`)).status > 0) return true;
    } catch {
      await sleep(100);
    }
  }
  return false;
}
