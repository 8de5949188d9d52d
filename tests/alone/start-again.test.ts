import { existsSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { gone, isAlive } from '../../scripts/lib/run.mjs';
import { startedOften } from '../support/started';

const here = startedOften();
const { start, children } = here;

describe('npm start', () => {
  it('serves; refuses a second on the same data; stops both on Ctrl-C; comes back in under 15 s with its data', async () => {
    const first = await start(/ready at/);
    expect(first.said).toContain(`ready at http://127.0.0.1:${here.port}`);
    expect((await fetch(`http://127.0.0.1:${here.port}/api/health`)).status).toBe(200);
    const again = await start(/already running/);
    expect(again.said).toContain(`already running at http://127.0.0.1:${here.port}`);
    const { app, postgres } = children();
    const board = await (await fetch(`http://127.0.0.1:${here.port}/api/board`)).text();
    first.child.kill('SIGINT');
    await gone(first.child.pid, 20_000);
    expect(first.child.exitCode).toBe(0);
    expect([isAlive(app), isAlive(postgres)]).toEqual([false, false]);
    expect(existsSync(path.join(here.folder, 'run.json'))).toBe(false);

    const second = await start(/ready at/);
    expect(second.seconds).toBeLessThan(15);
    expect(second.said).not.toMatch(/building|making/);
    expect(await (await fetch(`http://127.0.0.1:${here.port}/api/board`)).text()).toBe(board);
  });
});
