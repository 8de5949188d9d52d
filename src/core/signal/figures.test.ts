import { describe, expect, it } from 'vitest';
import type { Patch } from '../../../tests/support/intents';
import { leadFor, useOf } from '../../../tests/support/leads';
import { EXAMPLES, leadOf } from '../../../tests/examples/read';
import { findings } from '../findings';
import type { Lead } from '../lead';
import { FACT_IDS } from '../situation';
import { ask, leadSignal, leadSignalInSteps, lookedAt, QUESTIONS, type Figure } from '.';
import { corner, GRIDS, type Context } from './lead/context';
import { sayAmps, sayDb, sayVolts } from './figures';

/** All that a figure may be in; nothing is what has no unit. */
const UNITS = ['dB', 'V', 'A', 'W', 'Ω', 'Hz', 'F', 'H', 'm', '%', '×', ''];

const figuresOf = (patch: Patch): readonly Figure[] => {
  const lead = leadFor(patch);
  const made = leadSignal(lead.assembly, useOf(lead), { ranges: false, grid: 'coarse' });
  return made.ok ? made.value.figures : expect.fail(JSON.stringify(made.problems));
};

describe('what figures are in', () => {
  it('every figure of every example is in a known unit, and says it', () => {
    const strange = EXAMPLES.flatMap((example) => {
      const lead = leadOf(example);
      return lead.situations.flatMap((use) => {
        const made = leadSignal(lead.assembly, use, { ranges: false, grid: 'coarse' });
        return (made.ok ? made.value.figures : []).filter((each) => !isKnown(each)).map(line(example.id));
      });
    });
    expect(strange).toEqual([]);
  });

  it('and every figure of every sum', () => {
    const strange = QUESTIONS.flatMap((question) => {
      const answer = ask(question, {});
      return (answer.ok ? answer.value.figures : []).filter((each) => !isKnown(each)).map(line(question.id));
    });
    expect(strange).toEqual([]);
  });
});

const line =
  (of: string) =>
  ({ kind, unit, value, says }: Figure): string =>
    `${of} ${kind}: ${value} ${unit} is said “${says}”`;

/** Whether a figure is in a known unit, and said in it where it is said as a number with one. */
function isKnown({ unit, says }: Figure): boolean {
  if (!UNITS.includes(unit)) return false;
  const said = [...says.matchAll(/\d ([a-zµΩ%×]+)/giu)].map(([, name = '']) =>
    name.replace(/^[pnµmkMG](?=.)/u, ''),
  );
  return said.length === 0 || unit === '' || said.some((each) => each === unit);
}

describe('where the treble goes', () => {
  const cornersOf = (lead: Lead, grid: 'coarse' | 'fine'): readonly number[] => {
    const made = leadSignal(lead.assembly, useOf(lead), { ranges: false, grid });
    const figures = made.ok ? made.value.figures : expect.fail(JSON.stringify(made.problems));
    return figures.flatMap(({ kind, value }) =>
      /^minus[13]$/.test(kind) && Number.isFinite(value) ? [value] : [],
    );
  };

  // What is wound rings: only what falls as a low-pass of the first order is known between points so far apart.
  it.each(['two-phono-sum', 'loudspeaker-four-pole', 'loudspeaker-two-pole', 'transformer-line-to-recorder'])(
    '%s: as findings have it, of few frequencies, and as the page has it, of many',
    (id) => {
      const example = EXAMPLES.find((each) => each.id === id) ?? expect.fail(`there is no ${id}`);
      const lead = leadOf(example);
      const [few, many] = [cornersOf(lead, 'coarse'), cornersOf(lead, 'fine')];
      expect(few.length).toBeGreaterThan(0);
      expect(few).toHaveLength(many.length);
      few.forEach((hertz, n) => expect(hertz / (many[n] ?? 0)).toBeCloseTo(1, 3));
    },
  );

  it('of a second order too, between points a factor of 2.2 apart: 1 and 3 dB of a Butterworth, by its formula', () => {
    const frequencies = GRIDS.coarse;
    const nearest = (hertz: number): number =>
      frequencies.reduce(
        (best, each, n) => (Math.abs(each - hertz) < Math.abs((frequencies[best] ?? 0) - hertz) ? n : best),
        0,
      );
    for (const cutoff of [6000, 15_000, 60_000]) {
      const curve = frequencies.map((hertz) => -10 * Math.log10(1 + (hertz / cutoff) ** 4));
      for (const drop of [1, 3.0103]) {
        const right = cutoff * (10 ** (drop / 10) - 1) ** (1 / 4);
        const read = corner({ frequencies, nearest } as unknown as Context, curve, drop);
        expect(Math.abs(read / right - 1)).toBeLessThan(0.01);
      }
    }
  });

  it('is said by a finding as it is on the page', () => {
    const phono = { port: 'unbalanced-input', family: 'phono' } as const;
    const lead = leadFor({
      from: { port: 'unbalanced-output', family: 'phono', values: { impedance: 10_000 } },
      to: phono,
      cable: 'instrument-coax',
      length: { mm: 40_000, datum: 'face' },
    });
    const made = leadSignal(lead.assembly, useOf(lead), { ranges: false });
    const page = made.ok ? made.value.figures.find(({ kind }) => kind === 'minus3')?.says : undefined;
    expect(page).toBe('8.5 kHz');
    expect(findings(lead).find(({ rule }) => rule === 'treble-lost')?.says).toContain(page);
  });
});

describe('pairs of one cable, each looked at for itself', () => {
  // High impedances: what is beside a leg weighs as much as it can.
  const ends = (port: string, impedance: number) =>
    Array.from({ length: 8 }, (_, n) => ({
      port,
      family: 'xlr3',
      channel: `${n + 1}`,
      values: { impedance },
    }));
  const lead = leadFor({
    from: ends('line-transformer', 5_000),
    to: ends('line-input', 100_000),
    cable: 'multipair-8',
    length: { mm: 60_000, datum: 'face' },
  });

  it('have every figure that they have together, but what one does in another', () => {
    const solve = (without: readonly string[]) =>
      leadSignal(lead.assembly, useOf(lead), { ranges: false, grid: 'coarse', without });
    const [together, alone] = [solve([]), solve(['separation'])].map((made) =>
      made.ok ? made.value.figures : expect.fail(JSON.stringify(made.problems)),
    );
    const rest = together?.filter(({ kind }) => !kind.startsWith('separation')) ?? [];
    expect(rest.length).toBeLessThan(together?.length ?? 0);
    const isAlone = (without: readonly string[]) =>
      lookedAt(lead.assembly, useOf(lead), { without }).conditions.eachAlone;
    expect([isAlone([]), isAlone(['noise']), isAlone(['separation'])]).toEqual([undefined, undefined, true]);
    expect(alone?.map(({ kind }) => kind)).toEqual(rest.map(({ kind }) => kind));
    const heard = rest.filter(({ kind }) => ['gain', 'minus1', 'minus3', 'top'].includes(kind));
    expect(heard.length).toBeGreaterThan(0);
    heard.forEach(({ value, link, kind }) => {
      const other = alone?.find((each) => each.kind === kind && each.link?.in === link?.in);
      if (Number.isFinite(value)) expect((other?.value ?? 0) / value).toBeCloseTo(1, 2);
    });
  });
});

describe('a value in its unit', () => {
  // Three figures, and never 1000 of a smaller unit.
  it.each([
    [0.9994, '999 mV'],
    [0.9995, '1 V'],
    [999.4, '999 V'],
    [999.5, '1 kV'],
    [999.4e3, '999 kV'],
    [999.5e3, '1 MV'],
    [0.9994e-3, '999 µV'],
    [0.99951e-3, '1 mV'],
    [0.9994e-6, '999 nV'],
    [0.99951e-6, '1 µV'],
    [0.9994e-9, '999 pV'],
    [0.99951e-9, '1 nV'],
    [1e-13, '0.1 pV'],
    [9e-14, '0 V'],
    [-0.0123456, '−12.3 mV'],
  ])('%s V is said %s', (value, says) => expect(sayVolts(value)).toBe(says));

  it.each([
    [-199.9, '−199.9 dB'],
    [0.04, '0.0 dB'],
    [0.05, '0.1 dB'],
    [-0.05, '−0.1 dB'],
  ])('%s dB is said %s', (value, says) => expect(sayDb(value)).toBe(says));

  it('a level over its reference says that it is over', () => {
    expect(sayDb(4, 'u')).toBe('+4.0 dBu');
    expect(sayDb(-7.8, 'u')).toBe('−7.8 dBu');
    expect(sayDb(0, 'V')).toBe('0.0 dBV');
  });

  it('what no output could give is not a number', () => {
    expect(sayAmps(100)).toBe('100 A');
    expect(sayAmps(100.1)).toBe('more than any output gives');
  });
});

describe('how far an input is from too much', () => {
  const balanced = (port: string, more: Patch = {}): Patch => ({
    from: { port: 'line-transformer', family: 'xlr3', values: { impedance: 0.01, levelDbu: 0 } },
    to: { port, family: 'xlr3', values: { impedance: 1e7 } },
    ...more,
  });
  const unbalanced = (port: string, family: string, more: Patch = {}): Patch => ({
    from: { port: 'unbalanced-output', family: 'ts635', values: { impedance: 0.01, levelDbu: 0 } },
    to: { port, family, values: { impedance: 1e7 } },
    cable: 'instrument-coax',
    wiring: 'unbalanced-straight',
    ...more,
  });
  // What inputs take at their lowest gain: from memory, as the handbook has it. 0 dBu is sent, and all of it arrives.
  it.each([
    ['a microphone input', balanced('microphone-input'), 6],
    ['a balanced line input', balanced('line-input'), 22],
    ['a powered loudspeaker', balanced('powered-loudspeaker'), 22],
    ['an unbalanced line input', unbalanced('unbalanced-input', 'ts635'), 8],
    ['an instrument input', unbalanced('instrument-input', 'ts635'), 6],
    ['a recorder’s microphone input', unbalanced('recorder-input', 'trs35', { wiring: 'mono-to-both' }), -20],
  ] as const)('%s', (_, patch, most) => {
    const headroom = figuresOf(patch).find((each) => each.kind === 'headroom');
    expect(headroom?.value).toBeCloseTo(most, 1);
  });

  it('has no such limit in a loudspeaker', () =>
    expect(
      figuresOf({
        from: { port: 'amplifier', family: 'plug4' },
        to: { port: 'loudspeaker', family: 'plug4' },
        cable: 'loudspeaker-2x1-5',
      }).some((each) => each.kind === 'headroom'),
    ).toBe(false));
});

describe('a long look in steps', () => {
  it('can be left between them, and comes to the same as at once', () => {
    const lead = leadOf(EXAMPLES.find(({ id }) => id === 'd25-to-eight-xlr') ?? expect.fail());
    const steps = leadSignalInSteps(lead.assembly, useOf(lead), { grid: 'coarse' });
    let left = 0;
    let step = steps.next();
    for (; !step.done; step = steps.next()) left++;
    // Each end of each thing that is known from memory is a step.
    expect(left).toBeGreaterThan(2 * FACT_IDS.length);
    expect(step.value).toEqual(leadSignal(lead.assembly, useOf(lead), { grid: 'coarse' }));
  });
});
