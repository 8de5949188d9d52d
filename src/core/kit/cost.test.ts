import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { leadFor } from '../../../tests/support/leads';
import { dressed } from '../dressing';
import { schoolsOf, type Lead } from '../lead';
import { costOf, kit, minutesFor, type Cost, type CostOptions } from '.';

/** Invented. */
const PRICES = { 'pair-braid': 2, 'xlr3-plug': 4, 'xlr3-socket': 5 };
const cost = (lead: Lead, options: CostOptions = {}, prices: Record<string, number> = PRICES): Cost =>
  costOf(kit(dressed(lead), schoolsOf(lead)), lead.assembly, prices, options);

describe('what a lead costs', () => {
  it('cable by the metre, connectors by the piece: 5.966 × 2 + 4 + 5 = 20.932', () => {
    const found = cost(leadFor());
    expect(found.material).toBeCloseTo(20.932, 9);
    expect(found.total).toBeCloseTo(20.932, 9);
    expect(found.labour).toBeUndefined();
    expect(found.unpriced).toContain('Wrap label');
    expect(found.lines.map(({ what }) => what)).toHaveLength(3);
  });

  it('a braid at both ends: 12.5 an end and 5 to prove, 10 of setting up shared by those made together', () => {
    expect(minutesFor(leadFor().assembly)).toBe(30);
    expect(cost(leadFor()).minutes).toBe(40);
    expect(cost(leadFor(), { count: 4 }).minutes).toBe(32.5);
    // A drain is quicker; two cables in one connector are two; parts and a break-out take their own.
    expect(minutesFor(leadFor({ cable: 'pair-foil', surroundings: 'rack' }).assembly)).toBe(17);
    expect(minutesFor(leadNamed('stereo-sum').assembly)).toBe(8 + 8 + 3 * 3 + 5);
    expect(minutesFor(leadNamed('stereo-microphone-fan-out').assembly)).toBe(3 * 6 + 10 + 5);
    expect(minutesFor(leadNamed('insert-tip-send').assembly)).toBeGreaterThan(
      minutesFor(leadNamed('instrument-lead').assembly),
    );
  });

  it('at 30 an hour 40 minutes are 20; against a bought one of 45 that saves 4.068, from the first on', () => {
    const found = cost(leadFor(), { hourly: 30, bought: 45 });
    expect(found.labour).toBeCloseTo(20, 9);
    expect(found.total).toBeCloseTo(40.932, 9);
    expect(found.bought?.saving).toBeCloseTo(4.068, 9);
    expect(found.bought?.breakEven).toBe(1);
  });

  it('against one of 37: 30 minutes and the material are 35.932, so 1.068 a lead pays 5 of setting up with the fifth', () => {
    expect(cost(leadFor(), { hourly: 30, bought: 37 }).bought?.breakEven).toBe(5);
    expect(cost(leadFor(), { hourly: 30, bought: 37, count: 5 }).bought?.saving).toBeGreaterThanOrEqual(0);
    expect(cost(leadFor(), { hourly: 30, bought: 37, count: 4 }).bought?.saving).toBeLessThan(0);
    // Never, where the time alone is dearer.
    expect(cost(leadFor(), { hourly: 30, bought: 20 }).bought?.breakEven).toBeUndefined();
    // The builder's own time costs nothing where no rate is set.
    expect(cost(leadFor(), { bought: 25 }).bought).toEqual({
      price: 25,
      saving: expect.closeTo(4.068, 9) as number,
      breakEven: 1,
    });
  });

  it('what is had already costs nothing', () => {
    const deck = leadNamed('record-player-unified');
    const prices = { 'cartridge-pads': 100, 'phono-plug': 3 };
    expect(cost(deck, {}, prices).material).toBe(6);
  });

  it('is never below nothing, and from the break-even on never dearer than bought', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 120, noNaN: true }),
        fc.double({ min: 1, max: 120, noNaN: true }),
        fc.integer({ min: 0, max: 30 }),
        (hourly, bought, more) => {
          const from = cost(leadFor(), { hourly, bought }).bought?.breakEven;
          if (from === undefined) return true;
          const there = cost(leadFor(), { hourly, bought, count: from + more });
          const before = from > 1 ? cost(leadFor(), { hourly, bought, count: from - 1 }) : undefined;
          return (
            there.total > 0 &&
            (there.bought?.saving ?? -1) >= -1e-6 &&
            (before === undefined || (before.bought?.saving ?? 0) < 1e-6)
          );
        },
      ),
      { numRuns: 40 },
    ));
});
