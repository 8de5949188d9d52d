import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadNamed, leadOf } from '../../../tests/examples/read';
import { leadFor, useOf } from '../../../tests/support/leads';
import type { Patch } from '../../../tests/support/intents';
import { spanLengths, withValue } from '../assembly';
import { leadCircuit } from '../model';
import { boundsOf, FACT_IDS, FACTS, type Facts } from '../situation';
import { derive, type Lead } from '../lead';
import {
  ask,
  brightness,
  compared,
  leadSignal,
  QUESTIONS,
  truthTable,
  type LeadSignal,
  type Look,
  figureKey,
  foremost,
} from '.';

function signal(lead: Lead, look: Look = {}): LeadSignal {
  const made = leadSignal(lead.assembly, useOf(lead), look);
  if (!made.ok) expect.fail(made.problems.map((problem) => problem.says).join('; '));
  return made.value;
}
const figure = (of: LeadSignal, kind: string): number =>
  of.figures.find((each) => each.kind === kind)?.value ?? expect.fail(`no figure ${kind}`);

describe('every example lead', { timeout: 60_000 }, () => {
  it.each(EXAMPLES.map((each) => [each.id, each] as const))(
    '%s: has a verdict, and figures with formula, inputs and source',
    (_, example) => {
      const { says, figures, charts, sections } = signal(leadOf(example));
      expect(says).toMatch(/^[A-Z0-9].*\.$/);
      expect(says).not.toMatch(/NaN|undefined/);
      for (const each of figures) {
        expect(Number.isNaN(each.value), figureKey(each)).toBe(false);
        expect(`${each.says} ${each.formula} ${each.source}`).not.toMatch(/NaN|undefined|[Hh]andbook/);
        expect(each.inputs.length).toBeGreaterThan(0);
        if (each.range)
          expect(
            each.range.low <= each.value + 1e-9 && each.value - 1e-9 <= each.range.high,
            figureKey(each),
          ).toBe(true);
      }
      expect(new Set(figures.map(figureKey)).size).toBe(figures.length);
      for (const chart of charts)
        for (const { points } of chart.series) expect(points.length).toBeGreaterThan(20);
      for (const each of sections) expect(each.because).toMatch(/section/);
    },
  );

  it('nothing that the trade builds loses what it should carry', () => {
    for (const example of EXAMPLES) {
      // Cores that no one has identified go nowhere, and stereo into a balanced input was insisted on.
      if (['headphone-unidentified', 'stereo-into-balanced-anyway'].includes(example.id)) continue;
      expect(signal(leadOf(example), { ranges: false }).weight, example.id).not.toBe('stop');
    }
  });
});

/** A source of plain resistance through a coaxial lead: one R, one C. */
const resistive = (more: Patch = {}): Lead =>
  leadFor({
    from: { port: 'instrument', family: 'ts635', values: { impedance: 10_000 } },
    to: { port: 'instrument-input', family: 'ts635' },
    cable: 'instrument-coax',
    length: { mm: 6000, datum: 'face' },
    ...more,
  });
const metresOf = (lead: Lead): number => (spanLengths(lead.assembly).get('W1') ?? 0) / 1000;

describe('what the trade knows of its leads', () => {
  const unbalanced: Patch = {
    from: { port: 'unbalanced-output', family: 'phono' },
    to: { port: 'unbalanced-input', family: 'phono' },
    cable: 'pair-mini',
    length: { mm: 2000, datum: 'face' },
  };

  it('a sum lead reaches a 10 kΩ input at −6.3 dB a side or a little less for its source (handbook section 5)', () => {
    const { says, figures } = signal(leadNamed('stereo-sum'));
    expect(says).toContain('−6.3 dB a side');
    expect(figures.some((each) => each.kind === 'noise')).toBe(true);
  });

  it('from a ground-referenced output unbalanced is −6 dB, from a transformer nothing is lost (handbook section 5, row 2)', () => {
    expect(figure(signal(leadNamed('balanced-to-phono-ground-referenced')), 'gain')).toBeCloseTo(-6.02, 0);
    expect(figure(signal(leadNamed('balanced-to-phono-transformer')), 'gain')).toBeCloseTo(0, 0);
    expect(figure(signal(leadNamed('balanced-to-ts-cross-coupled')), 'gain')).toBeGreaterThan(-0.5);
  });

  it('quasi-balanced hums more than unbalanced, by what its thin core is over the braid; balanced far less than both', () => {
    const look: Look = { ranges: false, facts: { earthOhms: 10 } };
    const plain = figure(signal(leadFor(unbalanced), look), 'hum');
    const quasi = figure(signal(leadFor({ ...unbalanced, wiring: 'quasi-balanced' }), look), 'hum');
    const balanced = figure(signal(leadNamed('rack-trs-to-trs'), look), 'hum');
    expect(plain - quasi).toBeGreaterThan(3);
    expect(balanced - plain).toBeGreaterThan(40);
  });

  it('hum goes with the ground difference, 20 dB for ten times as much', () => {
    const lead = leadFor(unbalanced);
    const one = figure(signal(lead, { groundVolts: 0.01, ranges: false }), 'hum');
    const ten = figure(signal(lead, { groundVolts: 0.1, ranges: false }), 'hum');
    expect(one - ten).toBeCloseTo(20, 6);
    expect(signal(lead, { groundVolts: 0 }).figures.some((each) => each.kind.startsWith('hum'))).toBe(false);
  });

  it('of both mains the worse is told: what comes through capacitance is 1.6 dB more at 60 Hz', () => {
    const lead = leadFor({
      from: { port: 'line-impedance-balanced', family: 'xlr3' },
      to: { port: 'line-input', family: 'xlr3' },
      schools: { screen: 'destination' },
      length: { mm: 100_000, datum: 'face' },
    });
    // Nothing but a pair that lies unevenly in its screen.
    const found = signal(lead, {
      ranges: false,
      groundVolts: 1,
      facts: { imbalanceOhms: 0, unbalance: 0.5 },
    });
    const curve = found.charts.find((each) => each.name === 'Hum against frequency')?.series[0]?.points ?? [];
    const at = (hertz: number): number => -(curve.find(([x]) => x === hertz)?.[1] ?? 0);
    expect(at(50) - at(60)).toBeGreaterThan(1);
    expect(figure(found, 'hum')).toBeCloseTo(at(60), 6);
  });

  it('phantom stands alike on both legs of a microphone that wants it: 37.8 V for 3 mA (IEC 61938)', () => {
    const lead = signal(leadNamed('star-quad-microphone'), { ranges: false });
    expect(figure(lead, 'dc')).toBeCloseTo(37.8, 1);
    expect(figure(lead, 'between')).toBeCloseTo(0, 6);
  });

  it('phantom into an unbalanced output: the cold leg alone is over 7 mA, and the source gets the other (handbook section 5, row 3)', () => {
    const lead = leadFor({
      from: { port: 'unbalanced-output', family: 'ts635' },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
    });
    const found = signal(lead, { ranges: false });
    expect(1000 * figure(found, 'worstleg')).toBeCloseTo(7.05, 1);
    expect(1000 * figure(found, 'drawn')).toBeGreaterThan(10);
  });

  it('two inputs that feed one microphone feed it twice: 3 V through 2.2 kΩ twice into 200 Ω is 2.31 mA', () => {
    const lead = leadFor({
      to: { port: 'recorder-input', family: 'trs35' },
      cable: 'pair-mini',
      choices: { block: 'none' },
    });
    expect(1000 * figure(signal(lead, { ranges: false }), 'fed')).toBeCloseTo(3000 / (1100 + 200), 1);
  });

  it('a lifted screen stops phantom', () => {
    const lead = leadFor({
      from: { port: 'microphone-phantom', family: 'xlr3' },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
    });
    const cut = {
      ...lead.assembly,
      bodies: lead.assembly.bodies.map((body) => ({
        ...body,
        joints: body.joints.filter((joint) => !joint.terminals.includes('B.1')),
      })),
    };
    const whole = figure(signal(lead, { ranges: false }), 'dc');
    const made = leadSignal(cut, useOf(lead), { ranges: false });
    expect(whole).toBeGreaterThan(30);
    expect(made.ok && figure(made.value, 'dc')).toBeLessThan(0.1);
  });

  it('a shared return narrows headphones, one of their own does not', () => {
    const shared = signal(leadNamed('stereo-35-to-35'), { loadOhms: 32, ranges: false });
    const longer = signal(leadNamed('stereo-35-to-35'), { loadOhms: 32, lengthTimes: 10, ranges: false });
    expect(figure(longer, 'separation')).toBeLessThan(figure(shared, 'separation') - 6);
  });

  it('twice the length has twice the capacitance: the corner comes down to half', () => {
    const lead = resistive();
    const [one, two] = [1, 2].map((lengthTimes) =>
      figure(signal(lead, { lengthTimes, ranges: false }), 'minus3'),
    );
    expect((one ?? 0) / (two ?? 1)).toBeCloseTo(2, 1);
  });

  it('−3 dB is where R and C put it, and −1 dB at 0.509 of that (one pole)', () => {
    const lead = resistive();
    const found = signal(lead, { ranges: false });
    const metres = metresOf(lead);
    // 10 kΩ beside the input's 1 MΩ, and 95 pF a metre.
    const corner = 1 / (2 * Math.PI * (1e10 / 1.01e6) * 95e-12 * metres);
    expect(figure(found, 'minus3') / corner).toBeCloseTo(1, 1.7);
    expect(figure(found, 'minus1') / figure(found, 'minus3')).toBeCloseTo(Math.sqrt(10 ** 0.1 - 1), 1.7);
  });

  it('what is kept out of the ground difference is that over the hum', () => {
    const found = signal(leadFor(unbalanced), { groundVolts: 0.05, ranges: false });
    expect(figure(found, 'rejection')).toBeCloseTo(20 * Math.log10(0.05 / figure(found, 'humvolts')), 9);
  });

  it('the power in a loudspeaker lead is I² times its loop', () => {
    const lead = leadNamed('loudspeaker-two-pole');
    const found = signal(lead, { ranges: false });
    const [out, into] = useOf(lead).channels;
    const volts = Math.sqrt(0.6) * 10 ** ((out?.port.levelDbu ?? 0) / 20);
    const loop = figure(found, 'loop');
    const amps = volts / ((into?.port.impedance ?? 0) + loop + (out?.port.impedance ?? 0));
    expect(figure(found, 'heat') / (amps * amps * loop)).toBeCloseTo(1, 3);
    // Two cores by Ω/km and length, and the touch of four contacts.
    const cable = lead.assembly.uses.cables[0]?.conductors[0]?.ohmsPerKm ?? 0;
    const copper = (2 * cable * (spanLengths(lead.assembly).get('W1') ?? 0)) / 1e6;
    expect(loop - copper).toBeGreaterThan(0.03);
    expect(loop - copper).toBeLessThan(0.05);
  });

  it('a loudspeaker lead has its damping and what it takes', () => {
    const lead = signal(leadNamed('loudspeaker-two-pole'), { ranges: false });
    expect(figure(lead, 'damping')).toBeGreaterThan(10);
    expect(figure(lead, 'cable')).toBeLessThan(0);
    expect(figure(lead, 'heat')).toBeGreaterThan(0);
  });

  it('source and load can be turned whatever the port: a line that goes on has no impedance of its own', () => {
    const lead = leadNamed('patch-lead');
    const usual = figure(signal(lead, { ranges: false }), 'gain');
    expect(figure(signal(lead, { ranges: false, sourceOhms: 10_000 }), 'gain')).toBeLessThan(usual - 3);
    expect(figure(signal(lead, { ranges: false, loadOhms: 50 }), 'gain')).toBeLessThan(usual - 3);
  });

  it('the noise of a control counts as the lead’s own', () => {
    const noisier = figure(signal(leadNamed('volume-box'), { ranges: false }), 'noisier');
    expect(noisier).toBeGreaterThan(1);
    expect(figure(signal(leadNamed('stereo-sum'), { ranges: false }), 'noisier')).toBeGreaterThan(3);
  });

  it('says how far a control is turned: half where nobody turned it', () => {
    const says = (turn?: number): string =>
      signal(leadNamed('volume-box'), { ranges: false, ...(turn === undefined ? {} : { turn }) }).says;
    expect(says()).toMatch(/ at 50 % of its turn, .* turned up/);
    expect(says(0.25)).toMatch(/ at 25 % of its turn, .* turned up/);
  });

  it('a volume box follows its turn', () => {
    const at = (turn: number): number =>
      figure(signal(leadNamed('volume-box'), { turn, ranges: false }), 'gain');
    expect(at(1)).toBeGreaterThan(at(0.5) + 10);
    expect(at(0.5)).toBeGreaterThan(at(0.1) + 10);
  });

  it('crosstalk in a multipair hangs on what is only known from memory, and says between what it lies', () => {
    const apart = signal(leadNamed('d25-to-eight-xlr')).figures.find(
      (each) => each.kind === 'separation-high',
    );
    expect(apart?.range?.hangsOn).toContain('pair to pair');
    expect((apart?.range?.high ?? 0) - (apart?.range?.low ?? 0)).toBeGreaterThan(6);
  });
});

describe('how long it may be', () => {
  it('for 1 dB at 20 kHz: RC that has a corner at 39.3 kHz, and less for a stricter limit (one pole)', () => {
    const lead = resistive();
    const ohms = 1e10 / 1.01e6;
    for (const lossDb of [0.1, 1, 3]) {
      const most = figure(signal(lead, { ranges: false, lossDb }), 'longest');
      // What a pole takes at 20 kHz, and a four-hundredth of that at 1 kHz.
      const corner = 20_000 / Math.sqrt(10 ** (lossDb / 10) - 1);
      const metres = 1 / (2 * Math.PI * corner * ohms * 95e-12);
      expect(Math.abs(most / metres - 1), `${lossDb} dB`).toBeLessThan(0.03);
    }
  });

  it('does not hang on how long it is now', () => {
    const lead = resistive();
    const [short, long] = [0.2, 20].map((lengthTimes) =>
      figure(signal(lead, { ranges: false, lengthTimes }), 'longest'),
    );
    expect(Math.abs((short ?? 0) / (long ?? 1) - 1)).toBeLessThan(0.02);
  });

  it('of a loudspeaker lead: the loop is 5 % of the load there, contacts and all (handbook section 5, row 15)', () => {
    const lead = leadNamed('loudspeaker-two-pole');
    const most = figure(signal(lead, { ranges: false }), 'longest');
    const asked = (lead.assembly.lengths[0]?.mm ?? 0) / 1000;
    const there = signal(lead, { ranges: false, lengthTimes: most / asked });
    expect(figure(there, 'loop') / (0.05 * 8)).toBeCloseTo(1, 1.7);
    expect(figure(there, 'cable')).toBeCloseTo(-20 * Math.log10(1.05), 2);
    // The thinnest conductor keeps the limit, and the next thinner would not.
    const area = figure(signal(lead, { ranges: false }), 'thinnest');
    const contacts = figure(signal(lead, { ranges: false, lengthTimes: 1e-4 }), 'loop');
    const loop = (square: number): number => (2 * metresOf(lead) * 17.241) / square / 1000 + contacts;
    expect(loop(area)).toBeLessThanOrEqual(0.4);
    expect(loop(area * 0.6)).toBeGreaterThan(0.4);
  });

  it('a source of little impedance keeps it for ever, a limit that the contacts break no length does', () => {
    const lead = leadFor({
      from: { port: 'line-transformer', family: 'xlr3', values: { impedance: 1 } },
      to: { port: 'line-input', family: 'xlr3', values: { impedance: 1e6 } },
    });
    expect(figure(signal(lead, { ranges: false, lossDb: 60 }), 'longest')).toBe(Infinity);
    const feeble = signal(leadNamed('loudspeaker-two-pole'), { ranges: false, lossDb: 0.01 });
    expect(figure(feeble, 'longest')).toBe(0);
    expect(figure(feeble, 'thinnest')).toBe(Infinity);
  });
});

describe('what is wound', () => {
  it('rings where coil and capacitance put it, and the sum of the same pickup agrees', () => {
    const lead = leadNamed('instrument-lead');
    const found = signal(lead, { ranges: false });
    const metres = metresOf(lead);
    const farads = 110e-12 + 95e-12 * metres;
    expect(figure(found, 'resonance') / (1 / (2 * Math.PI * Math.sqrt(3 * farads)))).toBeCloseTo(1, 1.7);
    const sum = QUESTIONS.find((each) => each.id === 'pickup');
    const asked = sum && ask(sum, { length: `${metres}` });
    if (!asked?.ok) expect.fail('no sum');
    const peak = asked.value.figures.find((each) => each.kind === 'resonance')?.value ?? 0;
    expect(figure(found, 'resonance') / peak).toBeCloseTo(1, 1.7);
    // Highest a little lower than it would ring undamped.
    const says = found.figures.find((each) => each.kind === 'rise')?.says ?? '';
    expect(Number(/^([\d.]+) kHz/.exec(says)?.[1]) * 1000).toBeLessThan(figure(found, 'resonance'));
    expect(found.says).toContain('rings at');
    expect(found.charts[0]?.series.map((each) => each.name)).toHaveLength(4);
  });

  it('a longer lead rings lower and a smaller coil higher; whoever types an impedance means that', () => {
    const lead = leadNamed('instrument-lead');
    const rings = (look: Look): number => figure(signal(lead, { ranges: false, ...look }), 'resonance');
    expect(rings({ lengthTimes: 4 })).toBeLessThan(0.7 * rings({}));
    expect(rings({ sourceHenries: 0.75 }) / rings({})).toBeCloseTo(2, 6);
    expect(signal(resistive(), { ranges: false }).figures.some((each) => each.kind === 'rise')).toBe(false);
  });

  it('a cartridge gets the capacitance of lead and input together', () => {
    const lead = leadNamed('record-player-unified');
    const found = signal(lead, { ranges: false });
    const [cable] = lead.assembly.uses.cables;
    // The run and one of the two legs that it splits into.
    const [run = 0, leg = 0] = [...spanLengths(lead.assembly).values()].sort((a, b) => b - a);
    const own = ((cable?.pFPerMetre?.coreToScreen ?? 0) * (run + leg)) / 1000;
    expect((figure(found, 'capacitance') * 1e12) / (100 + own)).toBeCloseTo(1, 1.7);
    expect(found.figures.find((each) => each.kind === 'capacitance')?.says).toContain('100 to 300 pF');
  });
});

describe('controls, and outputs that meet', () => {
  it('a volume box turned up is its track beside the load, against the source', () => {
    const lead = leadNamed('volume-box');
    const found = signal(lead, { ranges: false });
    const track =
      lead.assembly.bodies.flatMap((body) => body.parts).find((part) => part.kind === 'potentiometer')
        ?.trackOhms ?? 0;
    const beside = (track * 32) / (track + 32);
    expect(figure(found, 'turnedup')).toBeCloseTo(20 * Math.log10(beside / (beside + 10)), 1);
    // At half turn 15 % of the track is below the wiper (common practice).
    const low = (0.15 * track * 32) / (0.15 * track + 32);
    expect(figure(found, 'halfturn')).toBeCloseTo(20 * Math.log10(low / (low + 0.85 * track + 10)), 1);
    expect(figure(found, 'tracking')).toBeGreaterThan(0.5);
    // The curve goes up to the end of the turn in steps alike, and does not begin at silence, which is no number of dB.
    const [curve] = found.charts.find(({ name }) => name === 'Level against turn')?.series ?? [];
    const turns = (curve?.points ?? []).map(([turn]) => turn);
    expect([turns[0], turns.at(-1), turns.length]).toEqual([2.5, 100, 40]);
    expect((curve?.points ?? []).every(([, level]) => Number.isFinite(level))).toBe(true);
    expect(found.charts[0]?.name).toBe('Level against turn');
    const levels = found.charts[0]?.series.map(({ points }) => points.map(([, level]) => level)) ?? [];
    for (const curve of levels)
      for (const [n, level] of curve.entries())
        expect(level).toBeGreaterThanOrEqual((curve[n - 1] ?? -999) - 1e-9);
    // The halves alike lie between the halves apart.
    levels[0]?.forEach((level, n) => {
      expect(level).toBeLessThanOrEqual((levels[1]?.[n] ?? 0) + 1e-9);
      expect(level).toBeGreaterThanOrEqual((levels[2]?.[n] ?? 0) - 1e-9);
    });
  });

  it('a source sees what is beside and behind each other by hand', () => {
    // The input's 1 MΩ and nothing else; half a turn: 85 Ω of track, and 15 Ω beside the headphones' 32.
    expect(figure(signal(resistive(), { ranges: false }), 'input-impedance') / 1e6).toBeCloseTo(1, 2.5);
    const box = figure(signal(leadNamed('volume-box'), { ranges: false }), 'input-impedance');
    expect(box / (85 + (15 * 32) / 47)).toBeCloseTo(1, 2.5);
  });

  it('each source of a sum lead sees 909 to 929 Ω with the other at 0 V, a little more for its own resistance (handbook section 5)', () => {
    const found = signal(leadNamed('stereo-sum'), { ranges: false, sourceOhms: 0.001 });
    expect(figure(found, 'input-impedance')).toBeGreaterThan(905);
    expect(figure(found, 'input-impedance')).toBeLessThan(931);
    // Both alike: 470 and 470 beside each other into 20 kΩ beside the input’s leg.
    const into = useOf(leadNamed('stereo-sum')).channels.find((each) => each.direction === 'receives');
    // Cold lies on ground: the hot leg of the input is half of it.
    const load = 1 / (1 / 20_000 + 2 / (into?.port.impedance ?? 1));
    expect(figure(found, 'alike')).toBeCloseTo(6.02 + 20 * Math.log10(load / (load + 235) / 2), 1);
  });

  it('stereo into a balanced input anyway: what both sides carry alike cancels (handbook section 5)', () => {
    const found = signal(leadNamed('stereo-into-balanced-anyway'), { ranges: false });
    expect(found.weight).toBe('stop');
    expect(found.says).toContain('cancels');
    expect(figure(found, 'alike')).toBeLessThan(-60);
  });

  it('two outputs on one wire: I = V ÷ (Z₁ + Z₂) (handbook section 5)', () => {
    // The resistors of a sum lead taken out: a bare Y.
    const found = leadNamed('stereo-sum');
    const { assembly } = found;
    const situation = useOf(found);
    const bare = {
      ...assembly,
      bodies: assembly.bodies.map((body) => ({
        ...body,
        parts: body.parts.map((part) => withValue(part, part.id === 'R3' ? 1e9 : 1e-3)),
      })),
    };
    const made = leadSignal(bare, situation, { ranges: false, sourceOhms: 50 });
    if (!made.ok) expect.fail('not solved');
    const volts = Math.sqrt(0.6) * 10 ** ((situation.channels[0]?.port.levelDbu ?? 0) / 20);
    expect(figure(made.value, 'clash') / (volts / 100)).toBeCloseTo(1, 1);
    expect(made.value.says).toContain('into each other');
    expect(made.value.weight).toBe('caution');
  });

  it.each(['stereo-sum', 'stereo-sum-at-source'])(
    '%s: what its outputs drive into each other hangs on both of its resistors, however alike they are',
    (name) => {
      const clash = signal(leadNamed(name)).figures.find((each) => each.kind === 'clash');
      expect(clash?.link).toEqual({ out: 'A.left', in: 'A.right' });
      expect(clash?.range?.hangsOn).toMatch(/R1 within.*R2 within/);
      expect(clash?.range?.low).toBeLessThan(clash?.value ?? 0);
      expect(clash?.range?.high).toBeGreaterThan(clash?.value ?? 0);
    },
  );

  it('of each kind the worst is foremost: the least level, the most hum in volts; what is alike is said once, unnamed', () => {
    const [gain] = signal(leadFor(), { ranges: false }).figures;
    if (!gain) expect.fail('no figure');
    const of = (kind: string, name: string, value: number) => ({
      ...gain,
      kind,
      name,
      value,
      says: `${value}`,
    });
    const found = foremost([
      of('gain', 'arrives, left', -1),
      of('gain', 'arrives, right', -6),
      of('humvolts', 'hum, left', 1),
      of('humvolts', 'hum, right', 2),
      of('headroom', 'headroom, left', 20),
      of('headroom', 'headroom, right', 20),
    ]);
    expect(found.map(({ worst, others }) => [worst.name, others.map(({ name }) => name)])).toEqual([
      ['arrives, right', ['arrives, left']],
      ['hum, right', ['hum, left']],
      ['headroom', []],
    ]);
  });

  it('nothing but rounding between two legs is nothing, and has no range', () => {
    const between = signal(leadNamed('stereo-microphone-fan-out')).figures.filter(
      (each) => each.kind === 'between',
    );
    expect(between.map(({ value, says, range }) => [value, says, range])).toEqual(
      between.map(() => [0, '0 V', undefined]),
    );
    expect(between).toHaveLength(2);
  });

  it('loudspeakers in parallel: the loop of each is what stands between amplifier and it', () => {
    const found = signal(leadNamed('two-loudspeakers-parallel'), { ranges: false });
    const loops = found.figures.filter((each) => each.kind === 'loop').map((each) => each.value);
    expect(loops).toHaveLength(2);
    const volts = Math.sqrt(0.6) * 10 ** (34 / 20);
    for (const loop of loops) {
      // Two loads alike draw twice the current through the amplifier: seen by one, its 0.05 Ω is 0.1.
      const level = 20 * Math.log10(8 / (8 + loop + 0.1));
      expect(figure(found, 'gain')).toBeCloseTo(level, 2);
      expect(volts).toBeGreaterThan(0);
    }
  });
});

describe('lamps of a tell-tale', () => {
  it.each(['tell-tale', 'tell-tale-unguarded'])(
    '%s: as the sum of the same plug has it, for every fault',
    (id) => {
      const found = signal(leadNamed(id), { ranges: false });
      const sum = truthTable('P48', 4700, 2, id === 'tell-tale');
      expect(found.table?.rows).toHaveLength(sum.length);
      for (const [n, row] of sum.entries()) {
        const cells = found.table?.rows[n] ?? [];
        expect(cells[0]).toBe(row.line.says);
        expect(
          cells.slice(1, 3).map((cell) => cell.split(',')[0]),
          row.line.says,
        ).toEqual(row.lamps.map(brightness));
      }
      // 4.00 mA a leg, 8.0 mA in all (IEC 61938; handbook section 12).
      expect(1000 * figure(found, 'lamp')).toBeCloseTo(4.0, 1);
      expect(1000 * figure(found, 'total')).toBeCloseTo(8.0, 1);
      expect(found.says).toContain('2 and 3 shorted; 2 and 3 swapped');
      expect(figure(found, 'reverse') > 5).toBe(id === 'tell-tale-unguarded');
      expect(found.weight).toBe(id === 'tell-tale' ? 'good' : 'caution');
    },
  );

  it('on P12 they are dim, and it says what they draw of the 15 mA', () => {
    const to = [{ port: 'microphone-input-p12', family: 'xlr3' }];
    const made = derive({ ...leadNamed('tell-tale').intent, to });
    if (!made.ok) expect.fail('no plug');
    const found = signal(made.value, { ranges: false });
    expect(1000 * figure(found, 'lamp')).toBeCloseTo(1.86, 1);
    expect(found.says).toContain('of 15 mA');
  });
});

describe('ranges', () => {
  const rangeOf = (of: LeadSignal, kind: string) => of.figures.find((each) => each.kind === kind)?.range;

  it('a pad within its tolerance: the root of the sum of squares of what each resistor does (JCGM 100)', () => {
    const lead = leadNamed('pad-unbalanced-l');
    const found = signal(lead);
    const range = rangeOf(found, 'gain');
    expect(range?.hangsOn).toMatch(/R1 within its tolerance of 5 %.*R2/);
    const gain = figure(found, 'gain');
    const parts = lead.assembly.bodies.flatMap((body) => body.parts);
    const moved = parts.map(({ id }) => {
      const at = (times: number): number =>
        figure(signal(lead, { ranges: false, partTimes: new Map([[id, times]]) }), 'gain') - gain;
      return [at(0.95), at(1.05)];
    });
    const high = Math.hypot(...moved.map((by) => Math.max(0, ...by)));
    expect((range?.high ?? 0) - gain).toBeCloseTo(high, 2);
  });

  it('a lamp’s current hangs on its resistor: 5 % of 4.7 kΩ beside 6.81 kΩ of feed', () => {
    const found = signal(leadNamed('tell-tale'));
    const range = rangeOf(found, 'lamp');
    expect(range?.hangsOn).toContain('R1 within its tolerance of 5 %');
    // The lesser of two lamps goes with either resistor: both moves by their squares.
    const one = Math.log((6810 + 1.05 * 4700) / (6810 + 4700));
    expect((range?.low ?? 0) / figure(found, 'lamp')).toBeCloseTo(Math.exp(-Math.hypot(one, one)), 2.5);
  });

  it('hum hangs on the earth between: whoever knows that has the range of what is left', () => {
    const lead = leadFor({
      from: { port: 'unbalanced-output', family: 'phono' },
      to: { port: 'unbalanced-input', family: 'phono' },
      cable: 'pair-mini',
      length: { mm: 2000, datum: 'face' },
    });
    const memory = rangeOf(signal(lead), 'hum');
    expect(memory?.hangsOn).toContain('earth between the two ends (from memory)');
    const known = rangeOf(signal(lead, { facts: { earthOhms: 0.1 } }), 'hum');
    expect(known?.hangsOn ?? '').not.toContain('earth');
    expect((known?.high ?? 0) - (known?.low ?? 0)).toBeLessThan((memory?.high ?? 0) - (memory?.low ?? 0));
  });

  it('what the intent knows better counts the same as what is looked at otherwise, and has no range', () => {
    const [plain, knowing] = [leadFor(), leadFor({ facts: { capacitance: 1.2 } })];
    const looked = signal(plain, { facts: { capacitance: 1.2 } });
    const known = signal(knowing);
    expect(figure(known, 'capacitance')).toBeCloseTo(figure(looked, 'capacitance'), 15);
    expect(figure(known, 'capacitance') / figure(signal(plain), 'capacitance')).toBeGreaterThan(1.1);
    expect(rangeOf(known, 'capacitance')?.hangsOn ?? '').not.toContain('against its entry');
  });

  it('whatever is let in as known better, every figure is a number', () => {
    const leads = ['stage-microphone', 'quasi-balanced-phono', 'stereo-sum', 'record-player-unified'].map(
      leadNamed,
    );
    fc.assert(
      fc.property(
        fc.constantFrom(...leads),
        fc.record(
          Object.fromEntries(
            FACT_IDS.map((id) => {
              const { least, most } = boundsOf(id);
              return [id, fc.double({ min: least, max: most, noNaN: true })];
            }),
          ),
          { requiredKeys: [] },
        ),
        (lead, facts) => {
          const { figures, says } = signal(lead, { facts, ranges: false, grid: 'coarse' });
          for (const each of figures) expect(Number.isNaN(each.value), figureKey(each)).toBe(false);
          expect(says).not.toMatch(/NaN|undefined/);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('every figure from memory moves the circuit of some lead, and lies between its low and its high', () => {
    const leads = EXAMPLES.filter((each) => !each.id.includes('d25')).map(leadOf);
    const text = (lead: Lead, facts: Partial<Facts>): string =>
      JSON.stringify(
        leadCircuit(lead.assembly, useOf(lead), {
          lengths: spanLengths(lead.assembly),
          supplies: true,
          facts,
        }).circuit,
      );
    for (const id of FACT_IDS) {
      expect(FACTS[id].low, id).toBeLessThan(FACTS[id].usual);
      expect(FACTS[id].usual, id).toBeLessThan(FACTS[id].high);
      expect(
        leads.some((lead) => text(lead, {}) !== text(lead, { [id]: FACTS[id].high })),
        id,
      ).toBe(true);
    }
  });
});

describe('one wiring against another', () => {
  const against = (own: LeadSignal, other: LeadSignal): string => compared(own, other, 'the other') ?? '';
  const look: Look = { ranges: false, grid: 'coarse' };

  it('says how much lower the hum is, by the figures of both', () => {
    const line = (schools: Patch['schools'] = {}): LeadSignal =>
      signal(
        leadFor({
          from: { port: 'line-impedance-balanced', family: 'xlr3' },
          to: { port: 'line-input', family: 'xlr3' },
          ...(schools ? { schools } : {}),
        }),
        look,
      );
    const [both, one] = [line(), line({ screen: 'source' })];
    const by = figure(both, 'hum') - figure(one, 'hum');
    expect(Math.abs(by)).toBeGreaterThan(1);
    expect(against(both, one)).toContain(`hum ${Math.abs(by).toFixed(1)} dB ${by > 0 ? 'lower' : 'higher'}`);
    expect(against(one, both)).toContain(`hum ${Math.abs(by).toFixed(1)} dB ${by > 0 ? 'higher' : 'lower'}`);
    expect(compared(both, both, 'itself')).toBeUndefined();
  });

  it('says what becomes of phantom', () => {
    const fed = (screen: 'both' | 'source'): LeadSignal =>
      signal(
        leadFor({
          from: { port: 'microphone-phantom', family: 'xlr3' },
          to: { port: 'microphone-input-phantom', family: 'xlr3' },
          schools: { screen },
        }),
        look,
      );
    expect(fed('both').says).toContain('supply at the source 37.8 V on both legs (3 mA of 10 mA)');
    expect(against(fed('source'), fed('both'))).toContain('supply 0 V and not 37.8 V');
  });

  it('says what level and treble it costs', () => {
    const [plain, long] = [signal(resistive(), look), signal(resistive(), { ...look, lengthTimes: 10 })];
    expect(against(long, plain)).toMatch(/−3 dB at [\d.]+ kHz and not at [\d.]+ kHz/);
    const quiet = signal(resistive(), { ...look, loadOhms: 10_000 });
    expect(against(quiet, plain)).toMatch(/level [\d.]+ dB lower/);
  });
});

describe('which picture comes first', () => {
  it.each([
    ['loudspeaker-two-pole', 'Loss against length'],
    ['instrument-lead', 'Level by length of lead'],
    ['quasi-balanced-phono', 'Hum against frequency'],
    ['stage-microphone', 'What arrives'],
  ])('%s: %s', (id, name) => expect(signal(leadNamed(id), { ranges: false }).charts[0]?.name).toBe(name));

  it('a lead that loses its treble shows that, whatever it hums', () =>
    expect(signal(resistive(), { ranges: false, lengthTimes: 10 }).charts[0]?.name).toBe('What arrives'));
});
