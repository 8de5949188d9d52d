import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { allColumns, smallShelves } from '../../../tests/support/cutting';
import { modelOf } from './model';
import { narrowed, Pricing, type Level } from './pricing';
import { Relaxed } from './relaxed';

const problem = smallShelves({
  kerfs: [0, 3, 40],
  lengths: [280, 460, 500, 700, 900, 963, 1300],
  most: 4,
});

describe('the linear program over all ways to cut', () => {
  it('leaves out no way that its prices speak for: each of them is gone through', () => {
    let [many, wasting] = [0, 0];
    fc.assert(
      fc.property(problem, fc.constantFrom(0, 40, 250, 900, Infinity), fc.boolean(), (of, upTo, isRest) => {
        const model = modelOf(of);
        const whole: Level = { reels: 2, ...(isRest ? { waste: 0, longerThan: 0 } : {}) };
        const level = narrowed(model, whole, upTo);
        const pricing = new Pricing(model, level, () => true);
        const solved =
          new Relaxed(model, pricing, level, 1e5, () => true).solve() ?? expect.fail('not solved');
        for (const column of allColumns(model, pricing.sorts, level)) {
          many++;
          if (column.waste > 0) wasting++;
          expect(pricing.over(column, solved.prices)).toBeGreaterThan(-1e-4);
        }
      }),
      { seed: 3, numRuns: 500 },
    );
    expect(many).toBeGreaterThan(8000);
    expect(wasting).toBeGreaterThan(500);
  });
});
