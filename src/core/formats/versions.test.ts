import { describe, expect, it } from 'vitest';
import { ASSEMBLY_MIGRATIONS, ASSEMBLY_VERSION } from '../assembly';
import { PLAN_MIGRATIONS, STATE_MIGRATIONS } from '../bench';
import { OWN_MIGRATIONS, OWN_VERSION } from '../catalogue';
import { HOUSE_MIGRATIONS, HOUSE_VERSION } from '../house';
import { LEAD_MIGRATIONS, LEAD_VERSION } from '../lead';
import type { DocumentMigration } from '../quantity';
import { SITUATION_MIGRATIONS } from '../situation';

/** Every kind of document, and the version written today where it is told. */
const DOCUMENTS: readonly (readonly [string, readonly DocumentMigration[], number | undefined])[] = [
  ['assembly', ASSEMBLY_MIGRATIONS, ASSEMBLY_VERSION],
  ['lead', LEAD_MIGRATIONS, LEAD_VERSION],
  ['situation', SITUATION_MIGRATIONS, undefined],
  ['own entry', OWN_MIGRATIONS, OWN_VERSION],
  ['house', HOUSE_MIGRATIONS, HOUSE_VERSION],
  ['plan', PLAN_MIGRATIONS, undefined],
  ['state of the work', STATE_MIGRATIONS, undefined],
];

describe('what was written by an earlier version', () => {
  it.each(DOCUMENTS)(
    '%s: each step goes on from where the one before ended, the last to today’s',
    (_, steps, today) => {
      for (const [n, { from, to, name }] of steps.entries()) {
        expect(Number.isInteger(from) && to === from + 1, name).toBe(true);
        expect(name).not.toBe('');
        if (n > 0) expect(from).toBe(steps[n - 1]?.to);
        // What it makes is of the version that it says.
        expect(steps[n]?.up({ version: from, channels: [], links: [], bodies: [] })['version'], name).toBe(
          to,
        );
      }
      if (today !== undefined) expect(steps.at(-1)?.to ?? today).toBe(today);
    },
  );
});
