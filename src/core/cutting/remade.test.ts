import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { leadFor } from '../../../tests/support/leads';
import type { Patch } from '../../../tests/support/intents';
import { spanLengths } from '../assembly';
import { repairOf } from '../bench';
import { schoolsOf, type Lead } from '../lead';
import type { Located } from '../proving';
import { cuts, remadeEnds, sayRemade, type Remade } from '.';

const remadeOf = (patch: Patch = {}): readonly Remade[] => {
  const lead = leadFor(patch);
  return remadeEnds(lead.assembly, schoolsOf(lead));
};
const said = (patch: Patch = {}) =>
  remadeOf(patch).map(({ end, lostMm, lengths }) => [end, lostMm, lengths.map(({ leftMm }) => leftMm)]);

const braid: Patch = {
  from: { port: 'unbalanced-output', family: 'phono' },
  to: { port: 'unbalanced-input', family: 'phono' },
  length: { mm: 5000, datum: 'jacket' },
  cable: 'braid-3',
};

describe('an end that is made again', () => {
  it('a microphone lead of 6 m: 5 mm of trim and 22 of strip-back are lost, 5.973 m are left (handbook, section 7)', () => {
    expect(said()).toEqual([
      ['A', 27, [5973]],
      ['B', 27, [5973]],
    ]);
    expect(remadeOf()[0]?.allowances.map(({ what, mm }) => [what, mm])).toEqual([
      ['trim at A', 5],
      ['strip-back at A', 22],
    ]);
  });

  it('where length was left for it, the lead is afterwards what was asked for, and it was cut so much longer', () => {
    const spare: Patch = { schools: { 'spare-length': 'one' } };
    expect(said(spare)).toEqual([
      ['A', 27, [6000]],
      ['B', 27, [6000]],
    ]);
    const cutOf = (patch: Patch): number => {
      const lead = leadFor(patch);
      return cuts(lead.assembly, schoolsOf(lead))[0]?.total ?? 0;
    };
    expect(cutOf(spare) - cutOf({})).toBe(27);
  });

  it('a braid loses its trim and loose tail as wire, of which six parts make five: (5 + 50) ÷ 1.2', () =>
    expect(remadeOf(braid).map(({ lostMm }) => lostMm)).toEqual([55 / 1.2, 55 / 1.2]));

  it('a leg of a break-out shortens itself alone; the trunk’s own connector, all that is measured to it', () => {
    const fan: Patch = {
      from: { port: 'line-eight', family: 'd25' },
      to: Array.from({ length: 8 }, (_, n) => ({
        port: 'line-input',
        family: 'xlr3',
        channel: `${n + 1}`,
      })),
      cable: 'multipair-8',
      legs: { mm: 500 },
      length: { mm: 4000, datum: 'jacket' },
    };
    const all = remadeOf(fan);
    expect(all).toHaveLength(9);
    // 45 mm come off at a D, 22 at an XLR.
    expect(all.map(({ lostMm }) => lostMm)).toEqual([50, ...Array.from({ length: 8 }, () => 27)]);
    for (const { lengths } of all.slice(1)) expect(lengths.length).toBeGreaterThan(0);
  });

  it('what is hidden by connector and boot is said by its outline: it goes too where the connector is cut off', () => {
    const inside = remadeOf()[0]?.insideMm ?? 0;
    // An XLR is 60 to 90 mm long with its boot, 46 of it up to the jacket’s edge.
    expect(inside).toBeGreaterThan(10);
    expect(inside).toBeLessThan(50);
    // Nothing is hidden at the pads of headphones.
    const headphones = leadNamed('headphone-identified');
    expect(
      remadeEnds(headphones.assembly, schoolsOf(headphones)).map(({ end, insideMm }) => [
        end,
        insideMm && Math.round(insideMm),
      ]),
    ).toEqual([
      ['B', undefined],
      ['A', 22],
    ]);
  });

  it('is said in the builder’s own units, ends that are alike together', () => {
    expect(sayRemade(remadeOf(), 'metric')[0]).toMatch(
      /^End A: 5 mm trim \+ 22 mm strip-back cut away, 5\.973 m left of 6 m; cut off behind the connector, \d+ mm less/,
    );
    const feet = sayRemade(remadeOf({ length: { mm: 5791.2, said: '19 ft', datum: 'jacket' } }), 'inch');
    expect(feet.join(' ')).toContain('left of 19 ft');
    expect(sayRemade(remadeOf(braid), 'metric')).toEqual([
      expect.stringMatching(
        /^Ends A and B: 5 mm trim \+ 50 mm loose tail of wire cut away, 4\.954 m left of 5 m/,
      ),
    ]);
  });

  it('nothing of a plug without a cable is made again, though it were glued', () => {
    const lamps = leadNamed('tell-tale');
    expect(remadeEnds(lamps.assembly, { ...schoolsOf(lamps), closing: 'glued' })).toEqual([]);
  });

  it('an end that stays as it came is not made again', () => {
    const lead = leadFor({}, [{ kind: 'stay', end: 'B' }]);
    expect(remadeEnds(lead.assembly, schoolsOf(lead)).map(({ end }) => end)).toEqual(['A']);
  });

  it('cut behind a break: what lies before it, trim and strip-back go, of the length that is measured to that end', () => {
    const lead = leadFor();
    const jacket = spanLengths(lead.assembly).get('W1') ?? 0;
    const at = (cut: Located['cut']) => {
      const repair = repairOf(lead, { cut } as Located);
      if (!repair.ok) throw new Error('no repair');
      return [repair.value.end, repair.value.newMm];
    };
    const glued = { ...lead, schools: { ...schoolsOf(lead), closing: 'glued' as const } };
    const says = (of: Pick<Lead, 'assembly' | 'schools' | 'situations'>): string => {
      const repair = repairOf(of, { cut: { atMm: 300, keep: 'far', leftMm: jacket - 300 } } as Located);
      return repair.ok ? repair.value.says : '';
    };
    expect(says(glued)).toMatch(/It is glued shut: take a new plug\.$/);
    expect(says(lead)).not.toContain('glued');
    expect(at({ atMm: 300, keep: 'far', leftMm: jacket - 300 })).toEqual(['A', 6000 - 300 - 27]);
    expect(at({ atMm: jacket - 200, keep: 'near', leftMm: jacket - 200 })).toEqual(['B', 6000 - 200 - 27]);
  });
});
