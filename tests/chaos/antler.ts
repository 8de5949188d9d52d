import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { freePort, gone, isAlive } from '../../scripts/lib/run.mjs';

/** A whole Antler as `npm start` runs it, on a folder of its own, with what can befall it. */
export interface Antler {
  readonly url: string;
  readonly folder: string;
  /** Whether its folder is a small disk of its own, which can be filled. */
  readonly isSmallDisk: boolean;
  readonly start: () => Promise<void>;
  /** Ends it as Ctrl-C does, and waits until all of it is gone. */
  readonly stop: () => Promise<void>;
  readonly kill: (which: 'app' | 'database' | 'starter', signal: NodeJS.Signals) => void;
  /** Leaves this much room on its disk, bytes; resolves to how to make room again. */
  readonly fill: (leave: number) => () => void;
  readonly answers: () => Promise<boolean>;
  readonly remove: () => void;
}

const DISK = '700m';

/** Makes the folder: on a small disk where one can be mounted. */
function folderFor(small: boolean): { readonly folder: string; readonly isSmallDisk: boolean } {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'antler-chaos-'));
  chmodSync(folder, 0o755);
  const isSmallDisk =
    small && spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK},mode=755`, 'tmpfs', folder]).status === 0;
  return { folder, isSmallDisk };
}

const read = (file: string): string => (existsSync(file) ? readFileSync(file, 'utf8') : '');

export async function anAntler({ small = false } = {}): Promise<Antler> {
  const { folder, isSmallDisk } = folderFor(small);
  const port = (await freePort()) as number;
  const url = `http://127.0.0.1:${port}`;
  let starter: ChildProcess | undefined;
  const { DATABASE_URL: _, ...inherited } = process.env;

  const pids = (): Readonly<Record<'app' | 'database' | 'starter', number>> => ({
    app: Number((JSON.parse(read(path.join(folder, 'run.json')) || '{}') as { app?: number }).app ?? 0),
    database: Number(read(path.join(folder, 'postgres', 'postmaster.pid')).split('\n')[0] ?? 0),
    starter: starter?.pid ?? 0,
  });
  const answers = (): Promise<boolean> =>
    fetch(`${url}/api/health`, { signal: AbortSignal.timeout(6_000) }).then(
      ({ ok }) => ok,
      () => false,
    );
  const start = (): Promise<void> =>
    new Promise((resolve, reject) => {
      const child = spawn(process.execPath, ['scripts/start.mjs'], {
        env: { ...inherited, ANTLER_DATA_DIR: folder, PORT: String(port) },
        stdio: ['ignore', 'pipe', 'pipe'],
      });
      starter = child;
      let said = '';
      for (const stream of [child.stdout, child.stderr])
        stream.on('data', (data: Buffer) => {
          said += data.toString();
          if (/ready at/.test(said)) resolve();
        });
      child.on('exit', (code) => reject(new Error(`it ended with ${code}: ${said}`)));
    });
  return {
    url,
    folder,
    isSmallDisk,
    start,
    answers,
    async stop() {
      const { app, database } = pids();
      starter?.kill('SIGTERM');
      if (starter?.pid !== undefined) await gone(starter.pid, 30_000);
      for (const pid of [app, database]) if (pid > 0) await gone(pid, 10_000);
    },
    kill(which, signal) {
      const pid = pids()[which];
      if (pid > 0 && isAlive(pid)) process.kill(pid, signal);
    },
    fill(leave) {
      const file = path.join(folder, 'filler');
      const free = Number(
        spawnSync('df', ['--output=avail', '-B1', folder], { encoding: 'utf8' }).stdout.split('\n')[1],
      );
      writeFileSync(file, Buffer.alloc(Math.max(0, free - leave)));
      return () => rmSync(file, { force: true });
    },
    remove() {
      if (isSmallDisk) spawnSync('umount', [folder]);
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
