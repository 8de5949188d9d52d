import { expect, it } from 'vitest';
import { findings } from '../../src/core/findings';
import { derive, type Lead } from '../../src/core/lead';
import { rankCables, readIntent, type Intent } from '../../src/core/wiring';
import { EXAMPLES } from './read';

const LONG = process.env['ANTLER_TEST_LONG'] === '1';
/** Every so manieth example, in the short run. */
const EVERY = 9;

const opened = EXAMPLES.flatMap(({ id, intent }) => {
  const read = readIntent(intent);
  if (!read.ok || (read.value.form ?? 'lead') !== 'lead') return [];
  const { cable: _, ...open } = read.value;
  return [{ id, intent: open as Intent }];
});

/** What there is against a lead: how many stops, and how many cautions. */
const against = (lead: Lead): readonly [stops: number, cautions: number] => {
  const found = findings(lead).filter(({ rule }) => rule !== 'overruled');
  const count = (severity: string): number => found.filter((each) => each.severity === severity).length;
  return [count('stop'), count('caution')];
};
const isWorse = (a: readonly [number, number], b: readonly [number, number]): boolean =>
  a[0] > b[0] || (a[0] === b[0] && a[1] > b[1]);

it('every lead of the examples that has a cable may leave it open', () => {
  expect(opened.length).toBeGreaterThan(55);
  for (const { id, intent } of opened) expect(derive(intent).ok, id).toBe(true);
});

it.each(opened.filter((_, n) => LONG || n % EVERY === 4))(
  '$id: no other cable makes a lead that has less against it, by its nets, parts and situation',
  { timeout: LONG ? 120_000 : 30_000 },
  ({ intent }) => {
    const leads = rankCables(intent)
      .filter(({ can }) => can)
      .map(({ cable }) => {
        const made = derive({ ...intent, cable: cable.id });
        return made.ok ? { id: cable.id, against: against(made.value) } : expect.fail(cable.id);
      });
    const [chosen, ...others] = leads;
    expect(others.filter((other) => chosen && isWorse(chosen.against, other.against))).toEqual([]);
  },
);
