import { describe, expect, it } from 'vitest';
import { leadFor } from '../../../tests/support/leads';
import { EXAMPLES, leadNamed } from '../../../tests/examples/read';
import type { Patch } from '../../../tests/support/intents';
import { dress } from '../assembly';
import { derive, schoolsOf, type Lead } from '../lead';
import { cuts, partings, sayWires, strips } from '.';

/** The conductors of each end: its length and how much of it is bare. */
const wires = (lead: Lead, end: string): Readonly<Record<string, readonly [number, number]>> =>
  Object.fromEntries(
    strips(lead.assembly, schoolsOf(lead))
      .filter((strip) => strip.end === end)
      .flatMap(({ conductors }) => conductors.map(({ id, mm, bareMm }) => [id, [mm, bareMm]] as const)),
  );
const jacketOff = (lead: Lead, end: string): readonly [string, number] | undefined => {
  const found = strips(lead.assembly, schoolsOf(lead)).find((strip) => strip.end === end);
  return found && [found.jacket, found.jacketMm];
};

/** Worked by hand from the handbook, sections 7 and 15: figures are common practice. */
describe('wire by wire, from the raw end', () => {
  it('an XLR with parts inside: 38 mm off, the cores to the parts cut to 10, the screen left long; 3 mm bare', () => {
    const sum = leadNamed('stereo-sum');
    expect(jacketOff(sum, 'B')).toEqual(['off', 38]);
    expect(wires(sum, 'B')).toEqual({ white: [10, 3], black: [10, 3], screen: [38, 3] });
    // The cut grows with it: 2000 asked, its two connectors off, 10 + 38 of strip, 5 + 5 of trim.
    const [cut] = cuts(sum.assembly, schoolsOf(sum));
    const strip = (cut?.allowances ?? []).filter(({ what }) => what.startsWith('strip-back'));
    expect(strip.map(({ mm }) => mm)).toEqual([10, 38]);
  });

  it('a 3.5 mm plug: 10 mm; cores bared 6 to go through their tabs, the screen 3 mm shorter, to its collar', () =>
    expect(wires(leadNamed('stereo-35-to-35'), 'A')).toEqual({
      white: [10, 6],
      black: [10, 6],
      screen: [7, 2],
    }));

  it('a 6.35 mm plug is no 3.5 mm one: all 10 mm, 3 bare', () =>
    expect(wires(leadNamed('instrument-lead'), 'A')).toEqual({ core: [10, 3], screen: [10, 3] }));

  it('pads of a record player: 13 mm, the screens 3 shorter, staggered to the pads', () => {
    const deck = leadNamed('record-player-unified');
    expect(wires(deck, 'A')).toEqual({
      'l-core': [13, 2],
      'l-screen': [10, 2],
      'r-core': [13, 2],
      'r-screen': [10, 2],
    });
  });

  it('what goes nowhere: cut back to the jacket, or folded back whole with nothing bared', () => {
    expect(wires(leadNamed('screen-lift'), 'B')).toEqual({ white: [22, 3], black: [22, 3], screen: [0, 0] });
    const spare = wires(leadNamed('star-quad-spare-cores'), 'A');
    expect([spare['white-1'], spare['white-2']]).toEqual([
      [22, 3],
      [22, 0],
    ]);
  });

  it('loose wires have no jacket to take off; the leg of a break-out lost its own where it was parted', () => {
    expect(jacketOff(leadNamed('three-strand-open'), 'A')).toEqual(['none', 12]);
    expect(jacketOff(leadNamed('stereo-microphone-fan-out'), 'B')).toEqual(['parted', 22]);
    expect(jacketOff(leadNamed('stereo-microphone-fan-out'), 'A')).toEqual(['off', 22]);
  });

  it('is said with those alike together, and why the others are not', () => {
    const said = (id: string, end: string): readonly string[] => {
      const lead = leadNamed(id);
      const found = strips(lead.assembly, schoolsOf(lead)).find((strip) => strip.end === end);
      return found ? sayWires(lead.assembly, found, 'metric') : [];
    };
    expect(said('stage-microphone', 'A')).toEqual(['all 22 mm, 3 mm bare']);
    expect(said('stereo-sum', 'B')).toEqual([
      'white and black 10 mm, 3 mm bare: the part that is soldered to it takes up the rest',
      'screen 38 mm, 3 mm bare',
    ]);
    expect(said('screen-lift', 'B')).toEqual([
      'white and black 22 mm, 3 mm bare',
      'screen: cut back: it goes nowhere here',
    ]);
  });
});

describe('where a cable is parted', () => {
  const fan = (mm: number): Lead => {
    const intent = EXAMPLES.find(({ id }) => id === 'stereo-microphone-fan-out')?.intent as object;
    const made = derive({ ...intent, legs: { mm }, length: { mm: 3000, datum: 'jacket' } });
    return made.ok ? made.value : expect.fail(made.problems.map(({ says }) => says).join(' '));
  };

  it('legs of 400 mm between split and jacket’s edge: 400 + 22 of strip-back + 5 of trim = 427 off, from the raw end', () => {
    const [parting, ...others] = partings(fan(400).assembly);
    expect(others).toEqual([]);
    expect(parting?.allowances.map(({ what, mm }) => [what, mm])).toEqual([
      ['the longest leg', 400],
      ['strip-back at B', 22],
      ['trim', 5],
    ]);
    expect(parting?.jacketMm).toBe(427);
    expect(parting?.legs.map(({ mm }) => mm)).toEqual([427, 427]);
  });

  it('a leg that is longer takes more off, and nothing else changes', () => {
    const [short] = partings(fan(400).assembly);
    const [long] = partings(fan(500).assembly);
    expect((long?.jacketMm ?? 0) - (short?.jacketMm ?? 0)).toBe(100);
  });

  it('a lead without a break-out is parted nowhere; one with two, at both', () => {
    expect(partings(leadFor().assembly)).toEqual([]);
    expect(partings(leadNamed('four-way-multipair').assembly).map(({ body }) => body)).toEqual([
      'split-from',
      'split-to',
    ]);
  });
});

describe('loose wires', () => {
  it('of a braid: 5000 × 6/5, 50 mm of tail to work each plug, 5 of trim: 6110 each, by colour', () => {
    const braid = leadFor({
      from: { port: 'unbalanced-output', family: 'phono' },
      to: { port: 'unbalanced-input', family: 'phono' },
      cable: 'braid-3',
      length: { mm: 5000, datum: 'jacket' },
    });
    const [cut] = cuts(braid.assembly, schoolsOf(braid));
    expect(cut?.wires?.map(({ id, colour, mm }) => [id, colour, Math.round(mm)])).toEqual([
      ['red', 'RD', 6110],
      ['black', 'BK', 6110],
      ['green', 'GN', 6110],
    ]);
  });

  it('the strand that is drained to a chassis is longer by its own tail: 100 mm where none is said', () => {
    const drained = leadNamed('three-strand-drained');
    const [cut] = cuts(drained.assembly, schoolsOf(drained));
    const [red, , green] = cut?.wires ?? [];
    expect((green?.mm ?? 0) - (red?.mm ?? 0)).toBe(100);
    expect(green?.because).toBe('its own tail to chassis, nominal: measure the way');
    expect(red?.because).toBeUndefined();
  });

  it('a cable with a jacket is cut in one piece, loose or not at its ends', () => {
    for (const id of ['stage-microphone', 'line-to-tinned-tail', 'headset-extension'])
      for (const cut of cuts(leadNamed(id).assembly, schoolsOf(leadNamed(id))))
        expect(cut.wires, id).toBeUndefined();
  });
});

describe('what else is allowed for', () => {
  it('sleeving over its whole length adds 100 mm to work the ends (common practice: about 4 in)', () => {
    const lead = leadFor();
    const sleeved = {
      ...lead.assembly,
      dressings: [dress({ id: 's', what: 'expandable-sleeve' as const, over: 'W1', says: 'over all' })],
    };
    const total = (assembly: Lead['assembly']): number => cuts(assembly, schoolsOf(lead))[0]?.total ?? 0;
    expect(total(sleeved) - total(lead.assembly)).toBe(100);
    const elsewhere = { ...sleeved, dressings: sleeved.dressings.map((each) => ({ ...each, over: 'W9' })) };
    expect(total(elsewhere)).toBe(total(lead.assembly));
  });

  it('a longer screen is allowed for only where there is a screen', () => {
    const of = (schools: Patch['schools']): number => {
      const lead = leadFor({
        from: { port: 'amplifier', family: 'twist2' },
        to: { port: 'loudspeaker', family: 'twist2' },
        cable: 'loudspeaker-2x2-5',
        ...(schools ? { schools } : {}),
      });
      return cuts(lead.assembly, schoolsOf(lead))[0]?.total ?? 0;
    };
    expect(of({ 'conductor-lengths': 'screen-longer' })).toBe(of(undefined));
  });
});
