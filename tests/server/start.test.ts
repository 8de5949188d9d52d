import { spawnSync } from 'node:child_process';
import { chmodSync, existsSync, rmSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { gone, isAlive } from '../../scripts/lib/run.mjs';
import { board } from '../../src/server/board/service';
import { throwawayDatabase } from '../support/database';
import { startedOften } from '../support/started';

const here = startedOften();
const { start, children } = here;

describe('npm start', () => {
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
      fetch(`http://127.0.0.1:${here.port}/api/health`).then(
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
    expect((await fetch(`http://127.0.0.1:${here.port}/api/health`)).status).toBe(200);
    expect((await board(database.db)).length).toBeGreaterThan(0);
    expect(existsSync(path.join(here.folder, 'postgres'))).toBe(false);
    child.kill('SIGINT');
    await gone(child.pid, 20_000);
    await database.drop();
  });

  it('says so when the port is taken by another program', async () => {
    const other = net.createServer();
    await new Promise<void>((resolve) => other.listen(here.port, '127.0.0.1', resolve));
    const { said, code } = await start(/never/);
    expect([code, said]).toEqual([
      1,
      expect.stringContaining(`port ${here.port} is taken by another program`),
    ]);
    expect(existsSync(path.join(here.folder, 'run.json'))).toBe(false);
    other.close();
  });

  it.runIf(process.getuid?.() === 0)(
    'as root under a closed folder keeps the database in a place that it names',
    async () => {
      chmodSync(here.folder, 0o700);
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
