import { describe, expect, it } from 'vitest';
import { HOUSE_MIGRATIONS, HOUSE_VERSION, NEW_HOUSE, readHouse, storedHouse } from '.';

describe('what is settled for the whole house', () => {
  it('is written as version 1, with the schools that were chosen', () => {
    expect(NEW_HOUSE).toEqual({ version: 1, schools: {} });
    expect(readHouse({ version: 1, schools: { shell: 'both' } })).toEqual({
      ok: true,
      value: { version: 1, schools: { shell: 'both' } },
    });
  });

  it('the first rows held the schools alone, and are brought up', () => {
    expect(storedHouse({ version: 0, schools: { hand: 'left' } })).toEqual({
      version: 1,
      schools: { hand: 'left' },
    });
    // What is of today stays as it is.
    expect(storedHouse({ version: 1, schools: {} })).toEqual(NEW_HOUSE);
  });

  it('each step of what is brought up goes to the next version, the last to today’s', () => {
    HOUSE_MIGRATIONS.forEach(({ from, to }, n) => expect([from, to]).toEqual([n, n + 1]));
    expect(HOUSE_MIGRATIONS.at(-1)?.to).toBe(HOUSE_VERSION);
  });

  it.each([
    ['a version of nobody', { version: 1.5, schools: {} }, 'version'],
    ['no version', { schools: {} }, 'version'],
    ['no schools', { version: 1 }, 'schools'],
    ['a school nobody knows', { version: 1, schools: { tea: 'green' } }, 'schools.tea'],
    ['an answer nobody gave', { version: 1, schools: { shell: 'sometimes' } }, 'schools.shell'],
    ['more than is settled', { version: 1, schools: {}, colour: 'red' }, 'colour'],
  ])('from outside %s is refused at its field', (_, document, path) => {
    const read = readHouse(document);
    expect(read.ok ? [] : read.problems.map((problem) => problem.path)).toContain(path);
  });
});
