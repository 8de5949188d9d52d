import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { builtAs, work } from '../../../tests/support/proving';
import { provenOf } from '../bench';
import { faultsOf, proofOf } from '.';

/**
 * Of some faults there are sizes from nothing up: a meter’s reading between what is good and the mildest that was reckoned with is
 * still theirs. Sizes by hand: milder than all that are listed, and between them.
 */
describe('a fault that may be of any size', () => {
  const instrument = leadNamed('instrument-lead');
  const proven = provenOf(instrument);
  const proof = proofOf(proven);

  it.each([6e6, 9e6, 15e6, 1e6, 2e4, 5e3])(
    'a conductive layer that leaks %d Ω is named as a leak',
    (ohms) => {
      const leak = faultsOf(instrument.assembly, instrument.situations[0]).find(
        ({ kind }) => kind === 'leak',
      );
      const [variant] = leak?.variants() ?? [];
      const [extra] = variant?.extra ?? [];
      if (!variant || !extra) return expect.fail('an instrument cable has a conductive layer');
      const { verdict } = work(proof, builtAs(proven, proof, { ...variant, extra: [{ ...extra, ohms }] }));
      expect(verdict.is).toBe('fault');
      expect([...new Set(verdict.suspects.map(({ kind }) => kind))]).toEqual(['leak']);
      expect(verdict.says).toBe('The core leaks to the screen.');
    },
  );

  it.each([0.6, 0.8, 3, 40, 700, 1999])(
    'a joint of %d Ω too much is named as of a high resistance',
    (ohms) => {
      const cold = faultsOf(instrument.assembly, instrument.situations[0]).filter(
        ({ kind }) => kind === 'high resistance',
      );
      expect(cold.length).toBeGreaterThan(3);
      for (const fault of cold) {
        const [variant] = fault.variants();
        const [extra] = variant?.extra ?? [];
        if (!variant || !extra) return expect.fail('a cold joint has a resistance of its own');
        const built = builtAs(proven, proof, { ...variant, extra: [{ ...extra, ohms }] });
        const { verdict } = work(proof, built);
        expect(verdict.is, fault.id).toBe('fault');
        expect(verdict.suspects.map(({ id }) => id)).toContain(fault.id);
      }
    },
  );
});
