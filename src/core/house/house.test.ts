import { describe, expect, it } from 'vitest';
import { ANY_METER } from '../proving';
import { HOUSE_MIGRATIONS, HOUSE_VERSION, NEW_HOUSE, readHouse, storedHouse } from '.';

describe('what is settled for the whole house', () => {
  it('is written in today’s version, with the schools that were chosen and the meter that was described', () => {
    expect(NEW_HOUSE).toEqual({ version: 5, schools: {} });
    const settled = {
      version: 5,
      schools: { shell: 'both' },
      meter: { ...ANY_METER, diodeVolts: 2.6 },
      plug: '127.0.0.1:5025',
    };
    expect(readHouse(settled)).toEqual({ ok: true, value: settled });
  });

  it('the first rows held the schools alone, and are brought up', () => {
    expect(storedHouse({ version: 0, schools: { hand: 'left' } })).toEqual({
      version: 5,
      schools: { hand: 'left' },
    });
    expect(storedHouse({ version: 1, schools: { hand: 'left' } })).toEqual({
      version: 5,
      schools: { hand: 'left' },
    });
    // What is of today stays as it is.
    expect(storedHouse({ version: 5, schools: {} })).toEqual(NEW_HOUSE);
  });

  it('each step of what is brought up goes to the next version, the last to today’s', () => {
    HOUSE_MIGRATIONS.forEach(({ from, to, up }, n) =>
      expect([from, to, up({ schools: {} })['version']]).toEqual([n, n + 1, to]),
    );
    expect(HOUSE_MIGRATIONS.at(-1)?.to).toBe(HOUSE_VERSION);
  });

  it('a place on the network is at most 300 letters', () => {
    const plug = (letters: number) => readHouse({ version: 5, schools: {}, plug: 'x'.repeat(letters) }).ok;
    expect([plug(300), plug(301)]).toEqual([true, false]);
  });

  it('a tool is laid hands on in 1 s to an hour, and is one of the bench’s', () => {
    const setUp = (seconds: number, tool = 'iron') =>
      readHouse({ version: 5, schools: {}, setUps: [{ tool, seconds }] }).ok;
    expect([setUp(0), setUp(1), setUp(3600), setUp(3601), setUp(10, 'lathe')]).toEqual([
      false,
      true,
      true,
      false,
      false,
    ]);
  });

  it('a cut costs from nothing to 50 mm; a level is more than nothing', () => {
    const cutting = (kerfMm: number, leastOffcutMm = 600) =>
      readHouse({ version: 5, schools: {}, cutting: { kerfMm, leastOffcutMm } }).ok;
    expect([cutting(0), cutting(50), cutting(51), cutting(-1), cutting(0, 0), cutting(0, -1)]).toEqual([
      true,
      true,
      false,
      false,
      true,
      false,
    ]);
    const level = (least: number) =>
      readHouse({ version: 5, schools: {}, levels: [{ item: 'plug', name: 'Plug', least, unit: 'pieces' }] })
        .ok;
    expect([level(0), level(1), level(1e8), level(1e8 + 1)]).toEqual([false, true, true, false]);
    const named = (name: string) =>
      readHouse({ version: 5, schools: {}, levels: [{ item: 'plug', name, least: 1, unit: 'pieces' }] }).ok;
    expect([named('a'.repeat(120)), named('a'.repeat(121)), named('')]).toEqual([true, false, false]);
  });

  it.each([
    ['a version of nobody', { version: 1.5, schools: {} }, 'version'],
    ['no version', { schools: {} }, 'version'],
    ['no schools', { version: 5 }, 'schools'],
    [
      'a tool that is nothing',
      { version: 5, schools: {}, tools: [{ id: 'iron', ours: ' ' }] },
      'tools[0].ours',
    ],
    ['a school nobody knows', { version: 5, schools: { tea: 'green' } }, 'schools.tea'],
    ['an answer nobody gave', { version: 5, schools: { shell: 'sometimes' } }, 'schools.shell'],
    ['a meter that can do nothing', { version: 5, schools: {}, meter: { version: 1 } }, 'meter.capacitance'],
    ['more than is settled', { version: 5, schools: {}, colour: 'red' }, 'colour'],
  ])('from outside %s is refused at its field', (_, document, path) => {
    const read = readHouse(document);
    expect(read.ok ? [] : read.problems.map((problem) => problem.path)).toContain(path);
  });
});
