import type { ChildProcess } from 'node:child_process';
import { answers, prepareDatabase, startApp } from '../../scripts/lib/app.mjs';
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

/** Starts the built app on a database, on `port` or any free one, and waits until it answers. */
export async function runApp(
  databaseUrl: string,
  {
    port,
    seed = false,
    prepared = false,
    env = {},
  }: {
    port?: number;
    seed?: boolean;
    /** It is up to date already. */ prepared?: boolean;
    env?: Record<string, string>;
  } = {},
): Promise<RunningApp> {
  if (!prepared) prepareDatabase(databaseUrl, 'migrate', ...(seed ? ['seed'] : []));
  const at = port ?? ((await freePort()) as number);
  const child = startApp({ databaseUrl, host: '127.0.0.1', port: at, stdio: 'ignore', env });
  const url = `http://127.0.0.1:${at}`;
  if (!(await answers(url, child))) throw new Error('the app does not answer');
  return {
    url,
    port: at,
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
