import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addressOf, viewIn } from './signal-view';

describe('what is looked at, in the page’s address', () => {
  it('comes back as it was', () => {
    const above = fc.double({ min: 1e-6, max: 1e8, noNaN: true });
    fc.assert(
      fc.property(
        fc.record(
          {
            lengthTimes: above,
            sourceOhms: above,
            sourceHenries: above,
            loadOhms: above,
            groundVolts: above,
            lossDb: above,
            turn: above,
            celsius: fc.double({ min: -100, max: 200, noNaN: true }),
          },
          { requiredKeys: [] },
        ),
        fc.array(fc.constantFrom('screen:source', 'transformer', 'shell:both'), { maxLength: 2 }),
        (look, beside) => {
          const view = viewIn(addressOf({ look, beside }));
          expect(view.beside).toEqual(beside);
          for (const [key, value] of Object.entries(look))
            expect(view.look[key as 'turn']).toBeCloseTo(value, 12);
          expect(Object.keys(view.look)).toHaveLength(Object.keys(look).length);
        },
      ),
    );
    expect(addressOf({ look: {}, beside: [] })).toBe('');
  });

  it('lets go of what is no number of its kind, and of what no slider is called', () =>
    expect(viewIn('?load=lots&source=-3&turn=&length=0&celsius=900&colour=red&loss=2')).toEqual({
      look: { lossDb: 2 },
      beside: [],
    }));
});
