import { describe, expect, it } from 'vitest';
import { carryOut, findings, type Finding } from '../../src/core/findings';
import { derive, type Edit, type Lead } from '../../src/core/lead';
import type { Intent } from '../../src/core/wiring';
import { numbers } from '../support/any-intent';
import { changesOf, type OneChange } from './one-change';
import { EXAMPLES } from './read';

/** How many changed leads of each example are tried beside the right one, drawn by this seed. */
const CHANGED = process.env['ANTLER_TEST_LONG'] === '1' ? 25 : 2;
const SEED = 815;
/** More joints than this take long to derive over and over. */
const MANY_JOINTS = 40;

const made = (intent: Intent, edits: readonly Edit[]): Lead => {
  const derived = derive(intent, edits);
  if (!derived.ok) throw new Error(derived.problems[0]?.says);
  return derived.value;
};
const stops = (all: readonly Finding[]): readonly string[] =>
  all.filter(({ severity }) => severity === 'stop').map(({ rule }) => rule);

describe('what is offered against a finding', () => {
  const next = numbers(SEED);
  const byChance = (all: readonly OneChange[]): readonly OneChange[] =>
    all
      .map((change) => ({ change, place: next(2 ** 24) }))
      .sort((a, b) => a.place - b.place)
      .map(({ change }) => change);
  let tried = 0;
  let withRemedy = 0;
  let wrong = 0;

  it.each(EXAMPLES.map((example) => [example.id, example] as const))(
    '%s: carried out as the screen does, it clears it and stops nothing else',
    (_, { intent }) => {
      const right = made(intent as Intent, []);
      const small = right.assembly.bodies.flatMap(({ joints }) => joints).length < MANY_JOINTS;
      const changed: Lead[] = [];
      for (const { edits } of small ? changesOf(right, byChance) : []) {
        if (changed.length >= CHANGED) break;
        changed.push(made(intent as Intent, edits));
      }
      for (const lead of [right, ...changed]) {
        const all = findings(lead);
        if (lead !== right) {
          wrong++;
          if (all.some(({ remedies, severity }) => severity !== 'note' && remedies.length > 0)) withRemedy++;
        }
        for (const finding of all)
          for (const { says, change } of finding.remedies) {
            tried++;
            const said = carryOut({ intent: lead.intent ?? (intent as Intent), edits: lead.edits }, change);
            const after = findings(made(said.intent, said.edits));
            expect(
              after.filter(({ rule, about }) => rule === finding.rule && about === finding.about),
              says,
            ).toEqual([]);
            expect(
              stops(after).filter((rule) => !stops(all).includes(rule)),
              says,
            ).toEqual([]);
          }
      }
    },
    120_000,
  );

  it('most of what one hand did wrong can be undone by one touch', () => {
    expect(tried).toBeGreaterThan(60);
    expect(withRemedy / wrong).toBeGreaterThan(0.6);
  });
});
