import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadNamed, leadOf } from '../../../tests/examples/read';
import { leadFor } from '../../../tests/support/leads';
import type { Patch } from '../../../tests/support/intents';
import { spanLengths } from '../assembly';
import type { Lead } from '../wiring';
import { leadSignal, type LeadSignal, type Look } from '.';

function signal(lead: Lead, look: Look = {}): LeadSignal {
  const made = leadSignal(lead.assembly, lead.situation, look);
  if (!made.ok) expect.fail(made.problems.map((problem) => problem.says).join('; '));
  return made.value;
}
const figure = (of: LeadSignal, kind: string): number =>
  of.figures.find((each) => each.id.startsWith(`${kind} `))?.value ?? expect.fail(`no figure ${kind}`);

describe('every example lead', { timeout: 60_000 }, () => {
  it.each(EXAMPLES.map((each) => [each.id, each] as const))(
    '%s: has a verdict, and figures with formula, inputs and source',
    (_, example) => {
      const { says, figures, charts, sections } = signal(leadOf(example));
      expect(says).toMatch(/^[A-Z0-9].*\.$/);
      expect(says).not.toMatch(/NaN|undefined/);
      for (const each of figures) {
        expect(Number.isNaN(each.value), each.id).toBe(false);
        expect(`${each.says} ${each.formula} ${each.source}`).not.toMatch(/NaN|undefined|[Hh]andbook/);
        expect(each.inputs.length).toBeGreaterThan(0);
        if (each.range)
          expect(each.range.low <= each.value + 1e-9 && each.value - 1e-9 <= each.range.high, each.id).toBe(
            true,
          );
      }
      expect(new Set(figures.map((each) => each.id)).size).toBe(figures.length);
      for (const chart of charts)
        for (const { points } of chart.series) expect(points.length).toBeGreaterThan(100);
      for (const each of sections) expect(each.because).toMatch(/section/);
    },
  );

  it('nothing that the trade builds loses what it should carry', () => {
    for (const example of EXAMPLES) {
      if (['headphone-unidentified'].includes(example.id)) continue;
      expect(signal(leadOf(example), { ranges: false }).weight, example.id).not.toBe('stop');
    }
  });
});

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
    expect(figures.some((each) => each.id.startsWith('noise '))).toBe(true);
  });

  it('from a ground-referenced output unbalanced is −6 dB, from a transformer nothing is lost (handbook section 5, row 2)', () => {
    expect(figure(signal(leadNamed('balanced-to-phono-ground-referenced')), 'gain')).toBeCloseTo(-6.02, 0);
    expect(figure(signal(leadNamed('balanced-to-phono-transformer')), 'gain')).toBeCloseTo(0, 0);
    expect(figure(signal(leadNamed('balanced-to-ts-cross-coupled')), 'gain')).toBeGreaterThan(-0.5);
  });

  it('quasi-balanced hums more than unbalanced, by what its thin core is over the braid; balanced far less than both', () => {
    const look: Look = { ranges: false, earthOhms: 10 };
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
    expect(signal(lead, { groundVolts: 0 }).figures.some((each) => each.id.startsWith('hum'))).toBe(false);
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
    const made = leadSignal(cut, lead.situation, { ranges: false });
    expect(whole).toBeGreaterThan(30);
    expect(made.ok && figure(made.value, 'dc')).toBeLessThan(0.1);
  });

  it('a shared return narrows headphones, one of their own does not', () => {
    const shared = signal(leadNamed('stereo-35-to-35'), { loadOhms: 32, ranges: false });
    const longer = signal(leadNamed('stereo-35-to-35'), { loadOhms: 32, lengthTimes: 10, ranges: false });
    expect(figure(longer, 'separation')).toBeLessThan(figure(shared, 'separation') - 6);
  });

  it('twice the length has twice the capacitance: the corner comes down to half', () => {
    const lead = leadNamed('instrument-lead');
    const [one, two] = [1, 2].map((lengthTimes) =>
      figure(signal(lead, { lengthTimes, ranges: false }), 'minus3'),
    );
    expect((one ?? 0) / (two ?? 1)).toBeCloseTo(2, 1);
  });

  it('−3 dB is where R and C put it, and −1 dB at 0.509 of that (one pole)', () => {
    const lead = leadNamed('instrument-lead');
    const found = signal(lead, { ranges: false });
    const metres = (spanLengths(lead.assembly).get('W1') ?? 0) / 1000;
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
    const [out, into] = lead.situation.channels;
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

  it('a volume box follows its turn', () => {
    const at = (turn: number): number =>
      figure(signal(leadNamed('volume-box'), { turn, ranges: false }), 'gain');
    expect(at(1)).toBeGreaterThan(at(0.5) + 10);
    expect(at(0.5)).toBeGreaterThan(at(0.1) + 10);
  });

  it('crosstalk in a multipair hangs on what is only known from memory, and says between what it lies', () => {
    const apart = signal(leadNamed('d25-to-eight-xlr')).figures.find(
      (each) => each.id === 'separation-high 10000',
    );
    expect(apart?.range?.hangsOn).toContain('pair to pair');
    expect((apart?.range?.high ?? 0) - (apart?.range?.low ?? 0)).toBeGreaterThan(6);
  });
});
