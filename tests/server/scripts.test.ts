import { randomUUID } from 'node:crypto';
import net from 'node:net';
import { describe, expect, it } from 'vitest';
import { prepareDatabase } from '../../scripts/lib/app.mjs';
import { commandLine, freePort, gone, isAlive } from '../../scripts/lib/run.mjs';
import { WORLD } from '../../demo/world';
import { board } from '../../src/server/board/service';
import { createJob } from '../../src/server/jobs/service';
import { isFine, shippedHere } from '../../scripts/lib/licences.mjs';
import { throwawayDatabase } from '../support/database';

describe('ports and processes', () => {
  it('a wanted port is given when it is free, another when it is not', async () => {
    const port = (await freePort()) as number;
    expect(await freePort(port)).toBe(port);
    const taken = net.createServer();
    await new Promise<void>((resolve) => taken.listen(port, '127.0.0.1', resolve));
    expect(await freePort(port)).not.toBe(port);
    taken.close();
  });

  it('knows a process that lives from one that does not', async () => {
    expect(isAlive(process.pid)).toBe(true);
    expect(commandLine(process.pid)).toContain('node');
    expect(isAlive(2 ** 30)).toBe(false);
    expect(commandLine(2 ** 30)).toBe('');
    expect(await gone(2 ** 30, 10)).toBe(true);
    expect(await gone(process.pid, 60)).toBe(false);
  });
});

describe('the demo', () => {
  it('is loaded into an empty database only, and a reset brings it back whatever was there', async () => {
    const database = await throwawayDatabase({ migrated: false });
    prepareDatabase(database.url, 'migrate', 'seed');
    const first = await board(database.db);
    expect(first.map((job) => job.name)).toEqual(WORLD.map((job) => job.name));
    await createJob(database.db, { id: randomUUID(), name: 'Added since', note: '' });
    prepareDatabase(database.url, 'migrate', 'seed');
    expect(await board(database.db)).toHaveLength(WORLD.length + 1);
    prepareDatabase(database.url, 'reset');
    expect(await board(database.db)).toEqual(first);
    await database.drop();
  });

  it('what the administration does not know it refuses', () => {
    expect(() => prepareDatabase('postgres://127.0.0.1:1/none', 'explode')).toThrow(/usage/);
    expect(() => prepareDatabase('postgres://127.0.0.1:1/none', 'seed')).toThrow(/failed/);
  });
});

describe('licences', () => {
  it.each([
    ['MIT', true],
    ['(MIT OR GPL-3.0-only)', true],
    ['Apache-2.0 AND LGPL-3.0-or-later', true],
    ['MIT AND GPL-3.0-only', false],
    ['GPL-3.0-only', false],
    ['unknown', false],
  ])('%s: fine is %s', (licence, fine) => expect(isFine(licence)).toBe(fine));

  it('what is only for building and testing is not among what ships, and each is named once', () => {
    const packages = shippedHere();
    const names = packages.map(({ name, version }) => `${name} ${version}`);
    expect(names).toEqual(
      expect.arrayContaining([expect.stringMatching(/^react 19/), expect.stringMatching(/^pg /)]),
    );
    expect(names.some((name) => /^(vitest|eslint|playwright-core) /.test(name))).toBe(false);
    expect(new Set(names).size).toBe(names.length);
  });
});
