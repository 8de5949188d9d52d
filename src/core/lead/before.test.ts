import { describe, expect, it } from 'vitest';
import { leadFor } from '../../../tests/support/leads';
import { readLead } from '.';

/** A lead as the first version of the document had it: recipe, asks and reasons beside the assembly. */
const first = (more: object = {}): object => {
  const { antler, name, intent, assembly, situations, because } = leadFor();
  return {
    antler,
    version: 1,
    name,
    intent,
    assembly: { ...assembly },
    situation: situations[0],
    recipe: because.recipe,
    asks: because.asks,
    reasons: because.reasons,
    ...more,
  };
};

describe('a lead of the first version', () => {
  it('keeps why it is as it is; nothing was left out and no change lapsed', () => {
    const read = readLead(JSON.parse(JSON.stringify(first())));
    const { because } = leadFor();
    expect(because.reasons.length).toBeGreaterThan(2);
    expect(read.ok && read.value.because).toEqual({ ...because, leftOut: [], lapsed: [] });
    expect(read.ok && read.value.edits).toEqual([]);
  });

  it('with no reasons and no recipe has none', () => {
    const read = readLead(JSON.parse(JSON.stringify(first({ reasons: 'many', asks: 7, recipe: null }))));
    expect(read.ok && read.value.because).toEqual({ asks: [], reasons: [], leftOut: [], lapsed: [] });
  });
});

it('where a lead will live is asked for with every place that there is', () => {
  const lead = leadFor();
  const read = readLead({ ...lead, intent: { ...lead.intent, surroundings: 'moon' } });
  expect(!read.ok && read.problems.map(({ path, says }) => [path, says])).toEqual([
    ['intent.surroundings', 'Say where the lead will live: stage, studio, rack, wall, outdoors or vehicle.'],
  ]);
});
