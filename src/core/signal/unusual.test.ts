import { describe, expect, it } from 'vitest';
import { leadFor, useOf } from '../../../tests/support/leads';
import { spanLengths } from '../assembly';
import { ask, leadSignal, QUESTIONS, stressOf } from '.';

/** What a sum comes to where nothing that is put in is as usual, by closed forms of circuit law worked here. */
const figureOf =
  (id: string, typed: Readonly<Record<string, string>>) =>
  (kind: string): number => {
    const question = QUESTIONS.find((each) => each.id === id) ?? expect.fail(`no question ${id}`);
    const asked = ask(question, typed);
    if (!asked.ok) return expect.fail(JSON.stringify(asked.problems));
    const usual = question.slots.filter((slot) => !(slot.id in typed)).map((slot) => slot.id);
    expect(usual, 'nothing is left as usual').toEqual([]);
    return asked.value.figures.find((each) => each.kind === kind)?.value ?? expect.fail(`no figure ${kind}`);
  };
const beside = (...ohms: readonly number[]): number => 1 / ohms.reduce((sum, each) => sum + 1 / each, 0);
const dB = (ratio: number): number => 20 * Math.log10(ratio);
const dbu = (level: number): number => Math.sqrt(0.6) * 10 ** (level / 20);
const BOLTZMANN = 1.380649e-23;

describe('sums of what is not usual', () => {
  it('treble in a cable: one pole', () => {
    const is = figureOf('bandwidth', {
      source: '2200',
      load: '4700',
      length: '37',
      capacitance: '163',
      loss: '0.7',
    });
    const ohms = beside(2200, 4700);
    const corner = 1 / (2 * Math.PI * ohms * 37 * 163e-12);
    expect(is('minus3') / corner).toBeCloseTo(1, 4);
    expect(is('minus1') / corner).toBeCloseTo(Math.sqrt(10 ** 0.1 - 1), 4);
    expect(is('lost')).toBeCloseTo(10 * Math.log10(1 + (20_000 / corner) ** 2), 5);
    const allowed = 20_000 / Math.sqrt(10 ** 0.07 - 1);
    expect(is('longest')).toBeCloseTo(1 / (2 * Math.PI * ohms * allowed * 163e-12), 2);
  });

  it('two outputs on one wire: what drives them apart over all that is between', () => {
    const is = figureOf('clash', { one: '33', level: '2.5', other: '82', through: 'sum' });
    expect(is('current')).toBeCloseTo(5 / (33 + 82 + 940), 9);
    expect(is('heat')).toBeCloseTo((5 / (33 + 82 + 940)) ** 2 * (33 + 82), 9);
  });

  it('a common return: all of the other channel beside it', () => {
    const is = figureOf('common-return', { load: '47', common: '0.7', source: '15' });
    expect(is('separation')).toBeCloseTo(dB((47 + 15) / beside(0.7, 47 + 15)), 6);
  });

  it('hum: what the ground current drops in the return, and what two unlike legs leave of it', () => {
    const typed = { ground: '37', earth: '0.3', screen: '0.05', core: '0.2', imbalance: '25', load: '47k' };
    const is = figureOf('hum', { ...typed, level: '-10' });
    const leg = 100 + 0.2 + 47_000;
    const unbalanced = (back: number): number =>
      ((0.037 * beside(back, leg)) / (0.3 + beside(back, leg))) * (47_000 / leg);
    expect(is('hum0')).toBeCloseTo(unbalanced(0.05), 9);
    expect(is('hum1')).toBeCloseTo(unbalanced(0.2), 9);
    expect(is('quasi')).toBeCloseTo(dB(unbalanced(0.2) / unbalanced(0.05)), 6);
    const [hot, cold] = [50 + 25 + 0.2 + 47_000, 50 + 0.2 + 47_000];
    const balanced = (ground: number): number =>
      ((0.037 * ground) / (0.3 + ground)) * 47_000 * (1 / cold - 1 / hot);
    expect(is('hum2') / balanced(beside(0.05, hot, cold))).toBeCloseTo(1, 6);
    expect(is('hum3') / balanced(beside(hot, cold))).toBeCloseTo(1, 6);
    expect(is('rejection')).toBeCloseTo(-dB(balanced(beside(hot, cold)) / 0.037), 5);
  });

  it('level: the divider, and how far it is from too much', () => {
    const is = figureOf('level', { level: '-10', source: '680', load: '2200', most: '-4' });
    expect(is('level')).toBeCloseTo((dbu(-10) * 2200) / 2880, 9);
    expect(is('loss')).toBeCloseTo(dB(2880 / 2200), 9);
    expect(is('headroom')).toBeCloseTo(-4 - (-10 - dB(2880 / 2200)), 9);
  });

  it('what an input just takes has no headroom, and is not said to be too much', () => {
    const question = QUESTIONS.find((each) => each.id === 'level') ?? expect.fail();
    const says = (most: string): string => {
      const asked = ask(question, { level: '4', source: '0', load: '1e6', most });
      return asked.ok ? asked.value.says : '';
    };
    expect(says('4')).toContain('with 0.0 dB of headroom');
    expect(says('3')).toContain('1.0 dB more than the input takes');
  });

  it('the heat in a resistor is of all that stands on it: direct, and every source by itself', () => {
    const sum = leadFor({
      from: { port: 'stereo-output', family: 'trs35', values: { impedance: 30, levelDbu: 20 } },
      to: { port: 'line-input', family: 'xlr3', values: { impedance: 1e7 } },
      cable: 'pair-mini',
      length: { mm: 300, datum: 'face' },
    });
    const all = stressOf(sum.assembly, useOf(sum), { lengths: spanLengths(sum.assembly) });
    const of = (id: string) => all.find(({ part }) => part.id === id) ?? expect.fail(`no ${id}`);
    // 470 Ω from each, 20 kΩ to ground: of its own source R1 bears V · 470 ÷ (30 + 470 + others), and of the other the same.
    const volts = dbu(20);
    const branch = 500;
    const own = (volts * 470) / (branch + beside(branch, 20_000));
    const at = (volts * beside(branch, 20_000)) / (branch + beside(branch, 20_000));
    const other = (at * 470) / branch;
    expect(of('R1').watts / ((own ** 2 + other ** 2) / 470)).toBeCloseTo(1, 2);
    expect(of('R3').watts / ((2 * at ** 2) / 20_000)).toBeCloseTo(1, 2);
    expect(of('R1').volts).toBeCloseTo(0, 6);
  });

  it('what is lost at 20 kHz is that of 20 kHz, however few points are looked at', () => {
    const lead = leadFor({
      from: { port: 'unbalanced-output', family: 'phono', values: { impedance: 8000 } },
      to: { port: 'unbalanced-input', family: 'phono', values: { impedance: 1e8 } },
      cable: 'instrument-coax',
      length: { mm: 12_000, datum: 'jacket' },
    });
    const corner = 1 / (2 * Math.PI * 8000 * 12 * 95e-12);
    const lost = (hertz: number): number => 10 * Math.log10(1 + (hertz / corner) ** 2);
    for (const grid of ['coarse', 'fine'] as const) {
      const made = leadSignal(lead.assembly, useOf(lead), { ranges: false, grid });
      const treble = made.ok ? made.value.figures.find((each) => each.kind === 'treble')?.value : Number.NaN;
      expect(treble, grid).toBeCloseTo(lost(1000) - lost(20_000), 2);
    }
  });

  it('a damping factor counts the amplifier’s own impedance', () => {
    const lead = leadFor({
      from: { port: 'amplifier', family: 'plug4', values: { impedance: 0.5 } },
      to: { port: 'loudspeaker', family: 'plug4' },
      cable: 'loudspeaker-2x1-5',
      length: { mm: 5000, datum: 'face' },
    });
    const made = leadSignal(lead.assembly, useOf(lead), { ranges: false, grid: 'coarse' });
    const value = (kind: string): number =>
      (made.ok && made.value.figures.find((each) => each.kind === kind)?.value) || Number.NaN;
    expect(value('damping')).toBeCloseTo(8 / (value('loop') + 0.5), 6);
    expect(made.ok && made.value.figures.find((each) => each.kind === 'loop')?.name).toBe('loop of the lead');
  });

  it('a loudspeaker lead at 60 °C: the loop warms (IEC 60028), and the load of a line hangs on its power', () => {
    const is = figureOf('loudspeaker', {
      power: '75',
      amplifier: 'line70',
      load: '5',
      length: '63',
      gauge: '16 AWG',
      celsius: '60',
      limit: '0.9',
    });
    // ASTM B258: d = 0.127 · 92^((36 − 16)/39) mm; copper of 1.7241e-8 Ω·m at 20 °C, 3.93 ‰ a degree.
    const area = (Math.PI / 4) * (0.127e-3 * 92 ** (20 / 39)) ** 2;
    const perMetre = (1.7241e-8 * (1 + 0.00393 * 40)) / area;
    const [loop, load] = [2 * 63 * perMetre, 70.7 ** 2 / 75];
    expect(is('loop') / loop).toBeCloseTo(1, 3);
    expect(is('loss')).toBeCloseTo(dB((load + loop) / load), 3);
    expect(is('damping') / (load / loop)).toBeCloseTo(1, 3);
    expect(is('longest') / (((10 ** (0.9 / 20) - 1) * load) / (2 * perMetre))).toBeCloseTo(1, 3);
  });

  it('noise with something across: the source seen makes less, and less is left of the signal', () => {
    const is = figureOf('noise', { microphone: '150', series: '620', shunt: '910', celsius: '45' });
    const volts = (ohms: number): number => Math.sqrt(4 * BOLTZMANN * (273.15 + 45) * ohms * (20_000 - 20));
    const seen = beside(150 + 620, 910);
    expect(is('whole') / volts(seen)).toBeCloseTo(1, 6);
    expect(is('alone') / volts(150)).toBeCloseTo(1, 6);
    expect(is('worse')).toBeCloseTo(dB(volts(seen) / volts(150) / (910 / (910 + 620 + 150))), 6);
    // As much across as it has itself, and nothing in series: half the signal, √½ of the noise.
    const shunted = { microphone: '200', series: '0', shunt: '200', celsius: '20' };
    expect(figureOf('noise', shunted)('worse')).toBeCloseTo(3.0103, 4);
  });

  it('a pad: the divider of what is fitted', () => {
    const is = figureOf('pad', {
      design: 'bridging',
      balanced: 'no',
      loss: '17',
      source: '330',
      load: '5600',
    });
    const [series, shunt] = [is('r0'), is('r1')];
    const out = beside(shunt, 5600);
    const loss = dB((330 + series + out) / out) - dB((330 + 5600) / 5600);
    expect(is('error')).toBeCloseTo(loss - 17, 6);
    expect(is('input')).toBeCloseTo(series + out, 6);
  });

  it('phantom of 24 V: half of the current through each feed and leg', () => {
    const is = figureOf('phantom', { supply: 'P24', current: '5', loop: '40', fault: 'none' });
    // 10 Ω a leg stand for what is inside the microphone.
    expect(is('reached')).toBeCloseTo(24 - 0.0025 * (1200 + 40 + 10), 3);
    expect(is('total')).toBeCloseTo(0.005, 6);
    expect(is('short')).toBeCloseTo(24 / 1200, 6);
    expect(is('between')).toBeCloseTo(0, 9);
    const open = figureOf('phantom', { supply: 'P24', current: '5', loop: '40', fault: 'cold-open' });
    // All of it comes by the hot leg, and the cold hangs on the microphone's own: 10 Ω of 5 mA between.
    expect(open('between')).toBeCloseTo(0.05, 3);
    expect(open('reached')).toBeCloseTo(24 - 0.005 * (1200 + 40 + 10), 2);
    // A leg that is joined to 1 holds the microphone down, whatever it is.
    const held = figureOf('phantom', { supply: 'P24', current: '5', loop: '40', fault: 'cold-shorted' });
    expect(held('reached')).toBe(0);
  });

  it('a pickup rings where its coil and all the capacitance have it, and peaks where H(f) is greatest', () => {
    const typed = { henries: '4.2', ohms: '9100', own: '85', control: '470k', length: '4.5' };
    const is = figureOf('pickup', { ...typed, capacitance: '130', load: '220k' });
    const farads = 85e-12 + 4.5 * 130e-12;
    expect(is('resonance')).toBeCloseTo(1 / (2 * Math.PI * Math.sqrt(4.2 * farads)), 6);
    // H = 1 ÷ (1 + (R + jωL)(1/P + jωC)), P the control beside the load.
    const parallel = beside(470_000, 220_000);
    const size = (hertz: number): number => {
      const w = 2 * Math.PI * hertz;
      const re = 1 + 9100 / parallel - w * w * 4.2 * farads;
      const im = w * (4.2 / parallel + 9100 * farads);
      return 1 / Math.hypot(re, im);
    };
    const all = Array.from({ length: 4000 }, (_, n) => 100 * 200 ** (n / 3999));
    const top = all.reduce((best, hertz) => (size(hertz) > size(best) ? hertz : best), all[0] ?? 0);
    // A point of the curve is 2.2 % from the next.
    expect(is('peak') / top).toBeGreaterThan(0.975);
    expect(is('peak') / top).toBeLessThan(1.025);
  });

  it('a sum of two unlike sources: g of each over all that is beside', () => {
    const typed = { left: '56', right: '180', level: '3.1', load: '3300', clash: '7' };
    const is = figureOf('sum', typed);
    // (6.2 V ÷ 7 mA − 56 − 180) ÷ 2 = 324.9 Ω, and 40 times 330 Ω is 13.2 kΩ.
    const [each, ground] = [330, 15_000];
    expect([is('each'), is('ground')]).toEqual([each, ground]);
    expect(is('loss')).toBeCloseTo(
      dB(beside(180 + each, ground, 3300) / (56 + each + beside(180 + each, ground, 3300))),
      6,
    );
    expect(is('clash')).toBeCloseTo(6.2 / (56 + 180 + 2 * each), 9);
    expect(is('output')).toBeCloseTo(beside(56 + each, 180 + each, ground), 3);
    const seen = beside(56 + each, 180 + each, ground, 3300);
    // The load makes noise too, at 20 °C.
    expect(is('noise') / Math.sqrt(4 * BOLTZMANN * 293.15 * seen * 19_980)).toBeCloseTo(1, 2);
  });

  it('a linear control: the lower half beside the load, against the upper and the source', () => {
    const is = figureOf('volume', {
      taper: 'linear',
      track: '220',
      source: '47',
      load: '16',
      tracking: '12',
    });
    const at = (turn: number, track = 220, load = 16): number => {
      const low = beside(track * turn, load);
      return dB(low / (47 + track * (1 - turn) + low));
    };
    // At its end a track still has a little resistance.
    expect(is('full')).toBeCloseTo(-dB(beside(220, 16) / (47 + beside(220, 16))), 4);
    expect(is('half')).toBeCloseTo(-at(0.5), 6);
    expect(is('mistrack')).toBeCloseTo(
      Math.abs(at(0.25 * 1.06, 220 * 1.06) - at(0.25 * 0.94, 220 * 0.94)),
      5,
    );
    expect(is('loads')).toBeCloseTo(47 + beside(220, 16), 6);
    expect(is('suits')).toBe(50);
    // Three times the load at its resonance, through what it hangs on at half turn.
    const hang = beside(110, 110 + 47);
    expect(is('bend')).toBeCloseTo(dB(48 / (48 + hang)) - dB(16 / (16 + hang)), 6);
  });

  it('another metal: the two dividers, and the copper that would do the same', () => {
    const typed = { length: '40', gauge: '1.5 mm²', source: '0.2', load: '4' };
    const copper = (2 * 40 * 1.7241e-8) / 1.5e-6;
    const level = (loop: number): number => dB(4 / (4 + 0.2 + loop));
    for (const [metal, conducts] of [
      ['clad', 0.63],
      ['silver', 1.06],
      ['pure', 1.015],
    ] as const) {
      const is = figureOf('metal', { metal, ...typed });
      expect(is('copper') / copper).toBeCloseTo(1, 4);
      expect(is('loop') / (copper / conducts)).toBeCloseTo(1, 4);
      expect(is('change')).toBeCloseTo(level(copper / conducts) - level(copper), 4);
      expect(is('alike')).toBeCloseTo(40 / conducts, 9);
    }
    // Clad aluminium is heard in a loudspeaker lead; silver in a line is not, and a direction is nothing at all.
    expect(figureOf('metal', { metal: 'clad', ...typed })('change')).toBeLessThan(-0.5);
    const line = { length: '6', gauge: '22 AWG', source: '150', load: '10k' };
    expect(Math.abs(figureOf('metal', { metal: 'silver', ...line })('change'))).toBeLessThan(0.0005);
    expect(figureOf('metal', { metal: 'turned', ...line })('change')).toBe(0);
  });

  it('a tell-tale of another lamp on 12 V', () => {
    const question = QUESTIONS.find((each) => each.id === 'tell-tale');
    expect(question?.slots.map(({ id }) => id).sort()).toEqual(['forward', 'guard', 'resistor', 'supply']);
    const is = figureOf('tell-tale', { supply: 'P12', resistor: '3300', forward: '1.8', guard: 'no' });
    // P12 feeds 680 Ω a leg; a real diode holds its forward voltage to some 0.1 V.
    expect(1000 * is('lamp')).toBeCloseTo((1000 * (12 - 1.8)) / (680 + 3300), 1);
  });
});
