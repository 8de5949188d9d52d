import { resolveSchools, USUAL_SCHOOLS } from '../wiring';
import { dressed } from '../dressing';
import { schoolsOf, type Lead } from '../lead';
import fc from 'fast-check';
import { leadFor } from '../../../tests/support/leads';
import { leadNamed } from '../../../tests/examples/read';
import { describe, expect, it } from 'vitest';
import { buildNamed } from '../../../tests/builds/read';
import { sayPart, sayPartKind, sayRatings, type Assembly, type Part } from '../assembly';
import { kit, labelLines } from '.';
import { cuts, strips } from '../cutting';

const lead = leadFor;
/** An assembly without a lead round it, with what is put on it. */
const dressedBuild = (assembly: Assembly) => dressed({ assembly, situations: [], schools: {} });

describe('cut length', () => {
  it('6 m face to face, XLR: worked by hand from the formula of the handbook, section 7', () => {
    const of = lead();
    const { assembly } = of;
    const schools = schoolsOf(of);
    // (6000 − 46 − 42) × 1 + 22 + 22 strip-back (19–25 mm usual) + 5 + 5 trim.
    expect(cuts(assembly, schools)[0]?.total).toBe(5966);
  });

  it('jacket to jacket takes nothing off; tip to tip takes off a whole jack plug', () => {
    const jacket = lead({ length: { mm: 6000, datum: 'jacket' } });
    expect(cuts(jacket.assembly, schoolsOf(jacket))[0]?.total).toBe(6054);
    const tip = lead({
      from: { port: 'line-ground-referenced', family: 'trs635' },
      to: { port: 'line-input', family: 'trs635' },
      length: { mm: 1000, datum: 'tip' },
    });
    expect(cuts(tip.assembly, schoolsOf(tip))[0]?.total).toBeCloseTo(1000 - 2 * 46.8 + 2 * 10 + 2 * 5, 9);
  });

  it('one re-termination adds a strip-back and a trim; a longer screen adds its extra at both ends', () => {
    const spare = lead({ schools: { 'spare-length': 'one' } });
    expect(cuts(spare.assembly, schoolsOf(spare))[0]?.total).toBe(5966 + 22 + 5);
    const longer = lead({ schools: { 'conductor-lengths': 'screen-longer' } });
    expect(cuts(longer.assembly, schoolsOf(longer))[0]?.total).toBe(5966 + 6);
  });

  it('every allowance has its reason, and they add up', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 300_000 }),
        fc.constantFrom('face', 'tip', 'jacket'),
        (mm, datum) => {
          const of = lead({ length: { mm, datum } });
          const { assembly } = of;
          const schools = schoolsOf(of);
          const cut = cuts(assembly, schools)[0];
          return (
            cut !== undefined &&
            cut.allowances.every((a) => a.because !== '') &&
            Math.abs(cut.allowances.reduce((sum, a) => sum + a.mm, 0) - cut.total) < 1e-9 &&
            cut.allowances[0]?.mm === mm
          );
        },
      ),
    );
  });

  it('a fan-out is one piece: its legs are its own cores (2610 mm of trunk and 390 of leg by hand)', () => {
    const [cut, ...others] = cuts(buildNamed('fan-out'), USUAL_SCHOOLS);
    expect(others).toEqual([]);
    // The build asks for 3000 mm; its connectors give no reach, 22 mm strip-back and 5 mm trim at either end.
    expect(cut?.total).toBe(3000 + 2 * (22 + 5));
  });

  it('a hand braid of three takes up one part in six: 5 m is braided from 6 (handbook, section 7)', () => {
    const braid = lead({
      from: { port: 'unbalanced-output', family: 'phono' },
      to: { port: 'unbalanced-input', family: 'phono' },
      cable: 'braid-3',
      length: { mm: 5000, datum: 'jacket' },
    });
    expect(cuts(braid.assembly, schoolsOf(braid))[0]?.total).toBeCloseTo(6000 + 2 * (50 + 5), 6);
  });
});

describe('strip lengths', () => {
  it('XLR: jacket 19–25 mm, conductor 3–6 mm; TRS about 10 mm and 3 mm (handbook, section 7)', () => {
    const xlr = lead();
    for (const strip of strips(xlr.assembly, schoolsOf(xlr))) {
      expect(strip.jacketMm).toBeGreaterThanOrEqual(19);
      expect(strip.jacketMm).toBeLessThanOrEqual(25);
      expect(strip.bareMm).toBeGreaterThanOrEqual(3);
      expect(strip.bareMm).toBeLessThanOrEqual(6);
      expect(new Set(strip.conductors.map((c) => c.mm)).size).toBe(1);
    }
    const trs = lead({
      from: { port: 'line-ground-referenced', family: 'trs635' },
      to: { port: 'line-input', family: 'trs635' },
    });
    expect(strips(trs.assembly, schoolsOf(trs)).map((s) => [s.jacketMm, s.bareMm])).toEqual([
      [10, 3],
      [10, 3],
    ]);
  });

  it('a longer screen is 3 mm longer than the cores', () => {
    const longer = lead({ schools: { 'conductor-lengths': 'screen-longer' } });
    const lengths = Object.fromEntries(
      (strips(longer.assembly, schoolsOf(longer))[0]?.conductors ?? []).map((c) => [c.id, c.mm]),
    );
    expect(lengths).toEqual({ white: 22, black: 22, screen: 25 });
  });
});

describe('kit', () => {
  it('of a straight lead: two connectors, the cut, two sleeves, clear shrink, solder, label', () => {
    const of = lead();
    const schools = schoolsOf(of);
    expect(kit(dressed(of), schools).map((line) => [line.id, line.count, line.mm])).toEqual([
      ['xlr3-socket', 1, undefined],
      ['xlr3-plug', 1, undefined],
      ['pair-braid', 1, 5966],
      ['dressing-sleeve-W1-screen-a', 2, 36],
      ['dressing-shrink-label', 1, 40],
      ['solder', 1, undefined],
      ['label', 1, undefined],
    ]);
  });

  it.each([
    // Twist-lock plugs at both ends are all screws.
    [
      'only screws',
      {
        from: { port: 'amplifier', family: 'twist2' },
        to: { port: 'loudspeaker', family: 'twist2' },
        cable: 'loudspeaker-2x1-5',
      },
      false,
    ],
    [
      'a screw terminal at one end',
      {
        from: { port: 'line-ground-referenced', family: 'xlr3' },
        to: { port: 'line-input', family: 'screw3', pinout: { hot: '1', cold: '2', screen: '3' } },
        cable: 'pair-foil',
      },
      true,
    ],
    [
      'screws, and an end that is tinned',
      {
        from: { port: 'amplifier', family: 'twist2' },
        to: { port: 'loudspeaker', family: 'tail-tinned', pinout: { plus: 'red', minus: 'black' } },
        cable: 'loudspeaker-2x1-5',
      },
      true,
    ],
    [
      'screws, and ferrules',
      {
        from: { port: 'amplifier', family: 'twist2' },
        to: { port: 'loudspeaker', family: 'tail-ferrule', pinout: { plus: 'red', minus: 'black' } },
        cable: 'loudspeaker-2x1-5',
      },
      false,
    ],
  ] as const)('solder is in the kit only where something is soldered: %s', (_, patch, isThere) => {
    const of = lead(patch);
    expect(kit(dressed(of), schoolsOf(of)).some((line) => line.id === 'solder')).toBe(isThere);
  });

  it('how a loose wire ends is in the kit', () => {
    const of = (family: string) =>
      lead({
        from: { port: 'line-ground-referenced', family: 'xlr3' },
        to: { port: 'line-input', family, pinout: { hot: 'red', cold: 'black', screen: 'drain' } },
        cable: 'pair-foil',
      });
    const said = (family: string) =>
      kit(dressed(of(family)), schoolsOf(of(family))).find((line) => line.id === 'loose-B');
    expect(said('tail-ferrule')).toEqual({
      id: 'loose-B',
      item: 'loose ferrule',
      what: 'Ferrule for the wire, crimped, sleeved',
      count: 3,
      detail: 'end B: red, black, drain',
    });
    expect(said('tail-tinned')?.what).toBe('Loose wire, tinned, sleeved');
  });

  it('is one item on the shelf whatever it is put on, and its length is no part of that', () => {
    const items = (of: Lead) =>
      kit(dressed(of), schoolsOf(of)).map(({ what, item }) => [what.split(',')[0], item]);
    const plain = items(lead());
    expect(plain).toContainEqual(['Screen-wire sleeve', 'heat-shrink 2.4/1.2 mm']);
    expect(plain).toContainEqual(['XLR 3 cable plug', 'xlr3-plug']);
    expect(items(lead({ length: { mm: 9000, datum: 'face' } }))).toEqual(plain);
    expect(items(leadNamed('stereo-sum'))).toEqual(
      expect.arrayContaining([
        ['Joint sleeve', 'heat-shrink 1.2/0.6 mm'],
        ['resistor 20 kΩ', 'resistor 20 kΩ, 0.25 W'],
        ['Clear heat-shrink', 'clear-shrink 4.8/2.4 mm'],
      ]),
    );
  });

  it('counts parts by value, and connectors of one kind together', () => {
    const sum = kit(dressedBuild(buildNamed('07-sum')), USUAL_SCHOOLS);
    expect(
      sum
        .filter((line) => line.id.startsWith('resistor'))
        .map((line) => [line.what, line.count, line.detail]),
    ).toEqual([
      ['resistor 470 Ω', 2, 'R1, R2'],
      ['resistor 20 kΩ', 1, 'R3'],
    ]);
    expect(
      kit(dressedBuild(buildNamed('chain-split')), USUAL_SCHOOLS)
        .filter((line) => line.id.startsWith('xlr3'))
        .map((line) => line.count),
    ).toEqual([2, 2]);
  });

  it('a screen cut back at one end needs one sleeve; a bare school needs none', () => {
    const once = lead({ schools: { screen: 'source' } });
    const sleeves = (of: Lead): readonly (string | number)[] =>
      kit(dressed(of), schoolsOf(of)).flatMap(({ what, count }) =>
        what.startsWith('Screen-wire') ? [what, count] : [],
      );
    expect(sleeves(once)).toEqual(['Screen-wire sleeve, 2.4/1.2 mm, 18 mm', 1]);
    const bare = lead({ schools: { 'screen-wire': 'bare' } });
    expect(sleeves(bare)).toEqual([]);
  });

  it('speaks the chosen words and units', () => {
    const inch = lead({ schools: { words: 'male-female', units: 'inch' } });
    const lines = kit(dressed(inch), schoolsOf(inch));
    expect(lines[0]?.what).toBe('XLR 3 cable female, chuck clamp');
    expect(lines[2]?.detail).toMatch(/^cut 19 ft 6 7\/8 in$/);
  });
});

describe('a part on its bag', () => {
  // What a part is called, its value, and what it has to stand: one line each.
  it.each([
    [{ kind: 'resistor', ohms: 470, ratings: { watts: 0.25 } }, 'resistor', '470 Ω', '0.25 W'],
    [{ kind: 'resistor' }, 'resistor', '', ''],
    [{ kind: 'capacitor', farads: 1e-6 }, 'capacitor', '1 µF', ''],
    [{ kind: 'capacitor', farads: 999e-9 }, 'capacitor', '999 nF', ''],
    [{ kind: 'capacitor', farads: 123.4e-9 }, 'capacitor', '123 nF', ''],
    [{ kind: 'capacitor', farads: 12.34e-6 }, 'capacitor', '12.3 µF', ''],
    [
      { kind: 'capacitor', farads: 10e-6, ratings: { volts: 16 }, marks: 'plus toward the input' },
      'capacitor',
      '10 µF',
      '16 V, plus toward the input',
    ],
    [{ kind: 'capacitor' }, 'capacitor', '', ''],
    [{ kind: 'transformer', windingOhms: 62 }, 'transformer', '1:1, 62 Ω a winding', ''],
    [{ kind: 'transformer' }, 'transformer', '', ''],
    [
      { kind: 'potentiometer', trackOhms: 100, gangs: ['left', 'right'], taper: 'logarithmic' },
      'potentiometer',
      '100 Ω',
      'dual, logarithmic',
    ],
    [{ kind: 'potentiometer', trackOhms: 1000, gangs: ['a', 'b', 'c'] }, 'potentiometer', '1 kΩ', '3 gangs'],
    [{ kind: 'potentiometer', gangs: ['only'] }, 'potentiometer', '', ''],
    [
      { kind: 'led', forwardVolts: 2, ratings: { milliamps: { from: 2, to: 20 } } },
      'LED',
      '2 V forward',
      '2 to 20 mA',
    ],
    [{ kind: 'led' }, 'LED', '', ''],
    [{ kind: 'diode', forwardVolts: 0.6 }, 'diode', '0.6 V forward', ''],
    [{ kind: 'diode' }, 'diode', '', ''],
    [
      { kind: 'lamp', litOhms: 15, ratings: { volts: 3, milliamps: { from: 0, to: 200 } } },
      'lamp',
      '15 Ω when lit',
      '3 V, up to 200 mA',
    ],
    [{ kind: 'lamp' }, 'lamp', '', ''],
    [{ kind: 'battery', volts: 3, marks: 'two cells' }, 'battery', '3 V', 'two cells'],
    [{ kind: 'battery' }, 'battery', '', ''],
  ] as const)('%j', (part, kind, value, ratings) => {
    const of = { id: 'X1', ...part } as Part;
    expect([sayPartKind(of), sayPart(of), sayRatings(of)]).toEqual([kind, value, ratings]);
  });

  it('sleeve for the screen wires of both ends, 4 mm shorter than each', () => {
    const of = lead({ schools: { 'conductor-lengths': 'screen-longer' } });
    // 22 mm of jacket off, and 3 mm more of screen.
    expect(kit(dressed(of), schoolsOf(of)).find((line) => line.what.startsWith('Screen-wire'))).toMatchObject(
      {
        what: 'Screen-wire sleeve, 2.4/1.2 mm, 21 mm each',
        count: 2,
        mm: 2 * 21,
        detail: 'on the screen wire at end A; on the screen wire at end B',
      },
    );
  });
});

describe('label', () => {
  it('says which channel has which colour, each once, where channels have to be told apart', () => {
    const last = (name: string) => labelLines(leadNamed(name), 1).at(-1);
    expect(last('stereo-microphone-fan-out')).toBe('left white, right red');
    // IEC 60062, typed by hand: 1 brown, 2 red, 3 orange, 4 yellow, 5 green, 6 blue, 7 violet, 8 grey.
    expect(last('d25-to-eight-xlr')).toBe(
      '1 brown, 2 red, 3 orange, 4 yellow, 5 green, 6 blue, 7 violet, 8 grey',
    );
    expect(last('two-way-split')).toMatch(/→/);
  });

  it('gives number and name, length, and ends in the chosen words', () => {
    const named = { ...lead(), name: 'Bridge mic' };
    expect(labelLines(named, 7)).toEqual([
      '0007  Bridge mic',
      '6 m',
      'XLR 3 cable socket → XLR 3 cable plug',
    ]);
    expect(
      labelLines({ ...named, schools: resolveSchools({ words: 'male-female', units: 'inch' }) }, 12345),
    ).toEqual(['12345  Bridge mic', '19 ft 8 1/4 in', 'XLR 3 cable female → XLR 3 cable male']);
  });

  it('ends of one kind are counted from three up; a ring says what it says, shrink says nothing', () => {
    const label = (...ways: Parameters<typeof lead>[0][]) =>
      ways.map((patch) => {
        return labelLines(lead(patch), 1).slice(1);
      });
    const to = (count: number) => ({
      from: { port: 'line-ground-referenced', family: 'xlr3' },
      to: Array.from({ length: count }, () => ({ port: 'line-input', family: 'xlr3' })),
      length: { mm: 1000, datum: 'face' as const },
      cable: 'pair-mini',
    });
    expect(label(to(2), to(3), { ...to(1), wiring: 'polarity-reverse' })).toEqual([
      ['1 m', 'XLR 3 cable socket → XLR 3 cable plug → XLR 3 cable plug'],
      ['1 m', 'XLR 3 cable socket → 3 × XLR 3 cable plug'],
      ['1 m', 'XLR 3 cable socket → XLR 3 cable plug', 'polarity reversed'],
    ]);
    const fanOut = leadNamed('stereo-microphone-fan-out');
    expect(dressed(fanOut).dressings.some(({ what }) => what === 'heat-shrink')).toBe(true);
    expect(labelLines(fanOut, 1).filter((line) => /shrink/i.test(line))).toEqual([]);
  });
});
