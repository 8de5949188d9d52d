import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach } from 'vitest';
import { freePort, gone } from '../../scripts/lib/run.mjs';

export interface Started {
  readonly child: ChildProcess;
  readonly said: string;
  readonly code: number | null;
  readonly seconds: number;
}

/** `npm start`'s script, run for each test on a data folder and a port of its own; whatever still runs is stopped after it. */
export function startedOften() {
  const running: ChildProcess[] = [];
  const here = { folder: '', port: 0, start, children };
  beforeEach(async () => {
    here.folder = mkdtempSync(path.join(os.tmpdir(), 'antler-start-'));
    chmodSync(here.folder, 0o755);
    here.port = (await freePort()) as number;
  });
  afterEach(async () => {
    for (const child of running.splice(0)) {
      child.kill('SIGINT');
      await gone(child.pid, 20_000);
    }
    rmSync(here.folder, { recursive: true, force: true });
  });

  /** Resolves when it has said something that matches, or has ended. */
  function start(until: RegExp, env: Record<string, string> = {}): Promise<Started> {
    const { DATABASE_URL: _, ...inherited } = process.env;
    const child = spawn(process.execPath, ['scripts/start.mjs'], {
      env: { ...inherited, ANTLER_DATA_DIR: here.folder, PORT: String(here.port), ...env },
    });
    running.push(child);
    const from = performance.now();
    let said = '';
    return new Promise((resolve) => {
      const done = (): void =>
        resolve({ child, said, code: child.exitCode, seconds: (performance.now() - from) / 1000 });
      for (const stream of [child.stdout, child.stderr])
        stream.on('data', (data: Buffer) => {
          said += data.toString();
          if (until.test(said)) done();
        });
      child.on('exit', done);
    });
  }

  /** The processes that it has started. */
  function children(): { readonly app: number; readonly postgres: number } {
    const { folder } = here;
    return {
      app: (JSON.parse(readFileSync(path.join(folder, 'run.json'), 'utf8')) as { app: number }).app,
      postgres: Number(readFileSync(path.join(folder, 'postgres', 'postmaster.pid'), 'utf8').split('\n')[0]),
    };
  }
  return here;
}
