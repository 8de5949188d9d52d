import type { ChildProcess } from 'node:child_process';
import { answers, startApp } from '../../scripts/lib/app.mjs';
import { freePort, gone } from '../../scripts/lib/run.mjs';

export interface RunningApp {
  readonly url: string;
  readonly port: number;
  readonly child: ChildProcess;
  readonly stop: (signal?: NodeJS.Signals) => Promise<void>;
  /** Sends a write as the app's own pages do. */
  readonly send: (
    method: string,
    path: string,
    body: unknown,
    headers?: Record<string, string>,
  ) => Promise<Response>;
}

/** Starts the built app on a database that is up to date, on `port` or any free one, and waits until it answers. */
export async function runApp(
  databaseUrl: string,
  { port, env = {} }: { port?: number; env?: Record<string, string> } = {},
): Promise<RunningApp> {
  // A port that was free is anybody's until it is taken: another file of tests may be quicker.
  for (let attempt = 0; attempt < (port === undefined ? 3 : 1); attempt++) {
    const at = port ?? ((await freePort()) as number);
    const child = startApp({ databaseUrl, host: '127.0.0.1', port: at, stdio: 'ignore', env });
    if (await answers(`http://127.0.0.1:${at}`, child)) return runningAt(at, child);
  }
  throw new Error('the app does not answer');
}

function runningAt(port: number, child: ChildProcess): RunningApp {
  const url = `http://127.0.0.1:${port}`;
  return {
    url,
    port,
    child,
    stop: async (signal = 'SIGTERM') => {
      child.kill(signal);
      await gone(child.pid, 10_000);
    },
    send: (method, path, body, headers = {}) =>
      fetch(url + path, {
        method,
        headers: { 'content-type': 'application/json', origin: url, ...headers },
        body: typeof body === 'string' ? body : JSON.stringify(body),
      }),
  };
}
