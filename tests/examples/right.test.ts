import { expect, it } from 'vitest';
import { found } from '../../src/core/findings';
import { derive, type Lead } from '../../src/core/lead';
import { anyIntent, numbers, pick } from '../support/any-intent';

/** How many intents are drawn, by this seed: of some 13 in 100 a lead comes. */
const COUNT = process.env['ANTLER_TEST_LONG'] === '1' ? 9000 : 1500;
const SEED = 1313;

/** What is said of wrong nets and parts alone, and never of what a right recipe made, whatever it meets. */
const OF_THE_WIRING: readonly string[] = [
  'crossed',
  'exchanged',
  'shorted',
  'outputs-joined',
  'not-carried',
  'contact-twice',
  'empty-end',
  'stray-contact',
  'loose-part',
  'part-beside',
  'stump',
  'case-earth',
  'loose-conductor',
  'screen-closed',
  'shell-school',
  'level-off',
  'unequal',
  'legs-unequal',
];

it('no lead that a recipe makes is called wrongly wired', { timeout: 300_000 }, () => {
  const next = numbers(SEED);
  const leads: Lead[] = [];
  for (let n = 0; n < COUNT; n++) {
    const intent = anyIntent(next);
    const made = derive(intent);
    const other = pick(next, ['pair-braid', 'multipair-8', 'instrument-coax', 'loudspeaker-2x1-5']);
    const lead =
      !made.ok && made.problems[0]?.path === 'intent.cable' ? derive({ ...intent, cable: other }) : made;
    if (lead.ok) leads.push(lead.value);
  }
  expect(leads.length).toBeGreaterThan(COUNT / 10);
  const called = leads.flatMap((lead) =>
    found(lead).flatMap(({ rule, says, severity }) =>
      severity !== 'note' && OF_THE_WIRING.includes(rule)
        ? [`${lead.because.recipe?.id ?? ''}: ${says} ${JSON.stringify(lead.intent)}`]
        : [],
    ),
  );
  expect(called).toEqual([]);
});
