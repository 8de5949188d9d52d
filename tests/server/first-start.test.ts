import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freePort, gone, sleep } from '../../scripts/lib/run.mjs';
import { WORLD } from '../../demo/world';

const AS_ROOT = process.getuid?.() === 0;

let folder: string;
let port: number;
const running: ChildProcess[] = [];
beforeEach(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'antler-first-'));
  chmodSync(folder, 0o755);
  port = (await freePort()) as number;
});
afterEach(async () => {
  for (const child of running.splice(0)) {
    child.kill('SIGINT');
    if (child.pid !== undefined) await gone(child.pid, 20_000);
  }
  rmSync(folder, { recursive: true, force: true });
});

interface Started {
  readonly child: ChildProcess;
  readonly said: () => string;
  /** When it is ready, or has ended. */
  readonly settled: Promise<void>;
}

/** `npm start` on the folder; with all that it starts in one group, to be killed at once. */
function start(before: readonly string[] = []): Started {
  const { DATABASE_URL: _, ...env } = process.env;
  const [command = '', ...args] = [...before, process.execPath, 'scripts/start.mjs'];
  const child = spawn(command, args, {
    detached: true,
    env: { ...env, ANTLER_DATA_DIR: folder, PORT: String(port) },
  });
  running.push(child);
  let said = '';
  const settled = new Promise<void>((resolve) => {
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (data: Buffer) => {
        said += data.toString();
        if (/ready at/.test(said)) resolve();
      });
    child.on('close', () => resolve());
  });
  return { child, said: () => said, settled };
}

const jobs = async (): Promise<string[]> =>
  ((await (await fetch(`http://127.0.0.1:${port}/api/board`)).json()) as { name: string }[]).map(
    ({ name }) => name,
  );

describe('the first start', () => {
  /** What is there when a first start has come so far; beyond that by the clock. */
  const POINTS: readonly ((started: Started) => boolean)[] = [
    (started) => started.said().includes('making the database'),
    () => existsSync(path.join(folder, 'postgres')),
    () => existsSync(path.join(folder, 'postgres/postmaster.pid')),
  ];
  /** Starts it and kills all of it at a point. */
  async function killedAt(point: number): Promise<void> {
    const first = start();
    const reached = POINTS[point];
    const until = performance.now() + 30_000;
    if (reached) while (!reached(first) && performance.now() < until) await sleep(5);
    else await sleep(150 * (point - POINTS.length + 1));
    process.kill(-(first.child.pid ?? 0), 'SIGKILL');
    await gone(first.child.pid, 5_000);
  }

  it.runIf(process.env['ANTLER_TEST_LONG'])(
    'killed at any of 20 points it comes up whole the next time',
    async () => {
      for (let point = 0; point < 20; point++) {
        rmSync(folder, { recursive: true, force: true });
        await killedAt(point);
        const second = start();
        await second.settled;
        expect([point, second.said()]).toEqual([point, expect.stringContaining('ready at')]);
        expect([point, await jobs()]).toEqual([point, WORLD.map(({ name }) => name)]);
        second.child.kill('SIGINT');
        await gone(second.child.pid, 20_000);
      }
    },
    600_000,
  );

  it('killed at three points, each further on; then six at once: one comes up whole, the others say where', async () => {
    for (let point = 0; point < 3; point++) await killedAt(point);
    const six = Array.from({ length: 6 }, () => start());
    await Promise.all(six.map(({ settled }) => settled));
    const said = six.map((each) => each.said());
    expect(said.filter((each) => each.includes(`ready at http://127.0.0.1:${port}`))).toHaveLength(1);
    expect(said.filter((each) => !/ready at|already running at/.test(each))).toEqual([]);
    expect(await jobs()).toEqual(WORLD.map(({ name }) => name));
    const secrets = JSON.parse(readFileSync(path.join(folder, 'database.json'), 'utf8')) as {
      cluster: string;
    };
    expect(secrets.cluster).toBe('postgres');

    // One that cannot see the other's processes does not take its folder either.
    if (AS_ROOT) {
      const apart = start(['unshare', '--pid', '--fork', '--mount-proc']);
      await apart.settled;
      expect(apart.said()).toContain(`already running at http://127.0.0.1:${port}`);
      expect(await jobs()).toHaveLength(WORLD.length);
    }
  }, 120_000);
});
