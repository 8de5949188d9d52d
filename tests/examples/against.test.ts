import { describe, expect, it } from 'vitest';
import { findings } from '../../src/core/findings';
import { AGAINST } from './against';
import { EXAMPLES, leadOf } from './read';

describe('what is said against the examples', () => {
  it.each(EXAMPLES.map((example) => [example.id, example] as const))('%s', (id, example) => {
    const found = findings(leadOf(example)).map(({ severity, rule, says }) => ({ severity, rule, says }));
    const expected = AGAINST.filter(({ lead }) => lead === id).map(({ severity, rule, says }) => ({
      severity,
      rule,
      says,
    }));
    // Worst first, as it is shown; the table has them in the order in which they are read.
    const inOrder = (all: typeof found) =>
      [...all].sort((a, b) => (a.rule + a.says < b.rule + b.says ? -1 : 1));
    expect(inOrder(found)).toEqual(inOrder(expected));
  });

  it('no right lead is stopped, each line says why it is right, and is of an example that is there', () => {
    for (const { severity, why, lead } of AGAINST) {
      expect(severity).not.toBe('stop');
      expect(why.length).toBeGreaterThan(20);
      expect(EXAMPLES.map(({ id }) => id)).toContain(lead);
    }
  });
});
