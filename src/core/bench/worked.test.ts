import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { planOf, workedConnectors } from '.';

/** After all its steps up to the last of these joints. */
const worked = (example: string, isFar: (end: string) => boolean) => {
  const lead = leadNamed(example);
  const plan = planOf(lead);
  const done = plan.operations.filter(({ end = '' }) => isFar(end)).map(({ id }) => id);
  return [...workedConnectors(plan, { done }, lead.assembly)];
};

describe('connectors that the iron was at', () => {
  it('none before a joint; then those of the ends that are soldered, alike ones counted', () => {
    expect(worked('stage-microphone', () => false)).toEqual([]);
    expect(worked('stage-microphone', (end) => end === 'B')).toEqual([['xlr3-plug', 1]]);
    expect(worked('stage-microphone', () => true)).toEqual([
      ['xlr3-socket', 1],
      ['xlr3-plug', 1],
    ]);
    const [legs] = worked('d25-to-eight-xlr', (end) => end !== 'A');
    expect(legs?.[1]).toBe(8);
  });

  it('none that is only screwed on: it is as good as before', () => {
    expect(worked('line-to-screw-terminal', () => true)).toEqual([['xlr3-socket', 1]]);
  });
});
