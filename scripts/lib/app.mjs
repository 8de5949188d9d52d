import { spawn } from 'node:child_process';
import { inProject } from './project.mjs';
import { must, sleep } from './run.mjs';

/** Brings the schema up to date and, with `seed`, loads the demo company into an empty database. */
export const prepareDatabase = (databaseUrl, ...commands) =>
  commands.map((command) =>
    must(process.execPath, [inProject('dist', 'admin.mjs'), command], {
      env: { ...process.env, DATABASE_URL: databaseUrl },
    }),
  );

/** Starts the server; what it logs goes to `stdio`. */
export function startApp({ databaseUrl, host, port, stdio }) {
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
