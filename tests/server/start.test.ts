import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freePort, gone, isAlive } from '../../scripts/lib/run.mjs';
import { board } from '../../src/server/board/service';
import { throwawayDatabase } from '../support/database';

let folder: string;
let port: number;
const running: ChildProcess[] = [];
beforeEach(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'antler-start-'));
  chmodSync(folder, 0o755);
  port = (await freePort()) as number;
});
afterEach(async () => {
  for (const child of running.splice(0)) {
    child.kill('SIGINT');
    await gone(child.pid, 20_000);
  }
  rmSync(folder, { recursive: true, force: true });
});

/** Runs `npm start`'s script on a data folder of its own; resolves when it has said something that matches, or has ended. */
function start(
  until: RegExp,
  env: Record<string, string> = {},
): Promise<{ child: ChildProcess; said: string; code: number | null; seconds: number }> {
  const { DATABASE_URL: _, ...inherited } = process.env;
  const child = spawn(process.execPath, ['scripts/start.mjs'], {
    env: { ...inherited, ANTLER_DATA_DIR: folder, PORT: String(port), ...env },
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

const children = (): { app: number; postgres: number } => ({
  app: (JSON.parse(readFileSync(path.join(folder, 'run.json'), 'utf8')) as { app: number }).app,
  postgres: Number(readFileSync(path.join(folder, 'postgres', 'postmaster.pid'), 'utf8').split('\n')[0]),
});

describe('npm start', () => {
  it('serves; refuses a second on the same data; stops both on Ctrl-C; comes back in under 15 s with its data', async () => {
    const first = await start(/ready at/);
    expect(first.said).toContain(`ready at http://127.0.0.1:${port}`);
    expect((await fetch(`http://127.0.0.1:${port}/api/health`)).status).toBe(200);
    const again = await start(/already running/);
    expect(again.said).toContain(`already running at http://127.0.0.1:${port}`);
    const { app, postgres } = children();
    const board = await (await fetch(`http://127.0.0.1:${port}/api/board`)).text();
    first.child.kill('SIGINT');
    await gone(first.child.pid, 20_000);
    expect(first.child.exitCode).toBe(0);
    expect([isAlive(app), isAlive(postgres)]).toEqual([false, false]);
    expect(existsSync(path.join(folder, 'run.json'))).toBe(false);

    const second = await start(/ready at/);
    // Beside a browser that is driven it takes its time.
    expect(second.seconds).toBeLessThan(process.env['ANTLER_TEST_BESIDE'] ? 60 : 15);
    expect(second.said).not.toMatch(/building|making/);
    expect(await (await fetch(`http://127.0.0.1:${port}/api/board`)).text()).toBe(board);
  });

  it('recovers what kill -9 of itself left running, and starts again what dies under it', async () => {
    const first = await start(/ready at/);
    const left = children();
    first.child.kill('SIGKILL');
    await gone(first.child.pid, 5_000);
    expect([isAlive(left.app), isAlive(left.postgres)]).toEqual([true, true]);
    const second = await start(/ready at/);
    expect(second.said).toMatch(/recovering/);
    const now = children();
    expect(isAlive(left.app)).toBe(false);
    expect(now.postgres).not.toBe(left.postgres);

    process.kill(now.postgres, 'SIGKILL');
    process.kill(now.app, 'SIGKILL');
    const healthy = async (): Promise<number> =>
      fetch(`http://127.0.0.1:${port}/api/health`).then(
        (r) => r.status,
        () => 0,
      );
    await expect.poll(healthy, { timeout: 20_000, interval: 200 }).toBe(200);
    await expect.poll(() => children().app, { timeout: 5_000 }).not.toBe(now.app);
  });

  it('says what is wrong with PORT', async () => {
    const { said, code } = await start(/never/, { PORT: 'seventy' });
    expect([code, said]).toEqual([1, expect.stringContaining('PORT is “seventy”')]);
  });

  it('says so in one sentence where its folder cannot be made', async () => {
    const { said, code } = await start(/never/, { ANTLER_DATA_DIR: '/proc/nowhere/at/all' });
    expect([code, said]).toEqual([
      1,
      expect.stringMatching(/^antler: \/proc\/nowhere\/at\/all cannot be written \(\w+\): .*\n$/),
    ]);
  });

  it('uses an existing server when DATABASE_URL names one, and starts none of its own', async () => {
    const database = await throwawayDatabase({ migrated: false });
    const { child } = await start(/ready at/, { DATABASE_URL: database.url });
    expect((await fetch(`http://127.0.0.1:${port}/api/health`)).status).toBe(200);
    expect((await board(database.db)).length).toBeGreaterThan(0);
    expect(existsSync(path.join(folder, 'postgres'))).toBe(false);
    child.kill('SIGINT');
    await gone(child.pid, 20_000);
    await database.drop();
  });

  it('says so when the port is taken by another program', async () => {
    const other = net.createServer();
    await new Promise<void>((resolve) => other.listen(port, '127.0.0.1', resolve));
    const { said, code } = await start(/never/);
    expect([code, said]).toEqual([1, expect.stringContaining(`port ${port} is taken by another program`)]);
    expect(existsSync(path.join(folder, 'run.json'))).toBe(false);
    other.close();
  });

  it.runIf(process.getuid?.() === 0)(
    'as root under a closed folder keeps the database in a place that it names',
    async () => {
      chmodSync(folder, 0o700);
      const { said, child } = await start(/ready at/);
      const place = /kept in (\/var\/lib\/antler\/\w+)/.exec(said)?.[1] ?? '';
      expect(existsSync(path.join(place, 'PG_VERSION'))).toBe(true);
      child.kill('SIGINT');
      await gone(child.pid, 20_000);
      rmSync(place, { recursive: true, force: true });
    },
  );

  it.runIf(process.getuid?.() === 0)(
    'as an ordinary user without PostgreSQL says which package to install',
    () => {
      const { stderr, status } = spawnSync(
        process.execPath,
        [
          '--input-type=module',
          '-e',
          `import { ensurePostgres } from './scripts/lib/debian.mjs'; process.getuid = () => 1000; await ensurePostgres('/nowhere');`,
        ],
        { encoding: 'utf8' },
      );
      expect([status, stderr]).toEqual([1, expect.stringContaining('sudo apt-get install postgresql')]);
    },
  );
});
