import { lamp } from './parts/lamp';
import { describe, expect, it } from 'vitest';
import { value } from '../../../tests/support/result';
import { EXAMPLES, leadNamed, leadOf } from '../../../tests/examples/read';
import { leadFor, useOf } from '../../../tests/support/leads';
import type { Patch } from '../../../tests/support/intents';
import { spanLengths } from '../assembly';
import { CABLES, cableById } from '../catalogue';
import type { Lead } from '../lead';
import { impedance, logarithmic, magnitudes, operatingPoint, sweeps } from '../circuit';
import { FACT_IDS, FACTS, USUAL, type Facts } from '../situation';
import { capacitances, inductances, leadCircuit, sectionsFor, withImpedance, type Conditions } from '.';

/** The circuit of a lead with ideal contacts and joints, so that closed forms hold. */
const circuitOf = (lead: Lead, more: Partial<Conditions> = {}) =>
  leadCircuit(lead.assembly, useOf(lead), {
    lengths: spanLengths(lead.assembly),
    ...more,
    facts: { contactMilliOhms: 1e-3, jointMilliOhms: 0, imbalanceOhms: 0, ...more.facts },
  });
/** Level at the first input for 1 V of the first source, in dB, at some frequencies. */
function decibels(
  lead: Lead,
  frequencies: readonly number[],
  more: Partial<Conditions> = {},
): readonly number[] {
  const made = circuitOf(lead, more);
  const [drive] = made.driven;
  const [heard] = made.heard;
  if (!drive || !heard) throw new Error('nothing is sent');
  const [swept] = value(sweeps(made.circuit, frequencies, [drive.source]));
  return magnitudes(
    swept?.voltage(...heard.between) ?? { re: new Float64Array(), im: new Float64Array() },
  ).map((each) => 20 * Math.log10(each * (made.driven[0]?.volts ?? 1)));
}
const line = (impedance: number, load: number, patch: Patch = {}): Lead =>
  leadFor({
    from: { port: 'unbalanced-output', family: 'phono', values: { impedance, levelDbu: 0 } },
    to: { port: 'unbalanced-input', family: 'phono', values: { impedance: load } },
    cable: 'instrument-coax',
    length: { mm: 10_000, datum: 'face' },
    ...patch,
  });
const NOTHING = { re: new Float64Array(1), im: new Float64Array(1) };
const VOLTS = 20 * Math.log10(Math.sqrt(0.6));

// Ten leads against formulas worked out apart from the solver.
describe('leads whose behaviour has a closed form', () => {
  it('1: level into a load is the divider of source and load', () =>
    expect(decibels(line(1000, 10_000), [100])[0]).toBeCloseTo(VOLTS + 20 * Math.log10(10_000 / 11_000), 3));

  it('2: an unbalanced lead’s corner is 1 ÷ 2πRC, R the source beside the load, C the cable’s', () => {
    const lead = line(10_000, 1_000_000);
    const metres = (spanLengths(lead.assembly).get('W1') ?? 0) / 1000;
    const corner = 1 / (2 * Math.PI * ((1e4 * 1e6) / 1.01e6) * (95e-12 * metres));
    const [low = 0, at = 0] = decibels(lead, [10, corner]);
    expect(at - low).toBeCloseTo(-3.0103, 2);
  });

  it('3: a balanced pair’s corner has the capacitance between its legs, C₁, and the source across both', () => {
    const lead = leadFor({
      from: { port: 'line-transformer', family: 'xlr3', values: { impedance: 2000 } },
      to: { port: 'line-input', family: 'xlr3', values: { impedance: 1e6 } },
      length: { mm: 100_000, datum: 'jacket' },
    });
    // 80 pF/m leg to leg with the screen floating, and the winding's own 25 pF.
    const corner = 1 / (2 * Math.PI * 2000 * (80e-12 * 100 + 25e-12));
    const [low = 0, at = 0] = decibels(lead, [100, corner], {
      facts: { unbalance: 0 },
    });
    expect(at - low).toBeCloseTo(-3.01, 1);
  });

  it('a transformer that drives has the capacitance of its winding to its core on each leg, in pF', () => {
    const lead = leadFor({ from: { port: 'line-transformer', family: 'xlr3' } });
    const windings = (pF: number) =>
      circuitOf(lead, { facts: { windingPicoFarads: pF } }).circuit.elements.flatMap((each) =>
        each.kind === 'capacitor' && each.id.includes('winding') ? [each.farads] : [],
      );
    expect(windings(50)).toEqual([expect.closeTo(50e-12, 18), expect.closeTo(50e-12, 18)]);
    expect(windings(200)).toEqual([expect.closeTo(200e-12, 18), expect.closeTo(200e-12, 18)]);
  });

  it('a coil that is known otherwise has that resistance or that inductance, and keeps the other', () => {
    const [channel] = useOf(leadNamed('instrument-lead')).channels.filter(({ port }) => port.coil);
    if (!channel?.port.coil) throw new Error('a pickup is a coil');
    const { ohms, henries } = channel.port.coil;
    expect(withImpedance(channel, { ohms: 7100 }).port).toMatchObject({
      impedance: 7100,
      coil: { ohms: 7100, henries },
    });
    expect(withImpedance(channel, { henries: 3.3 }).port).toMatchObject({
      impedance: channel.port.impedance,
      coil: { ohms, henries: 3.3 },
    });
  });

  it('4: a loudspeaker lead of 10 m of 2.5 mm² into 8 Ω loses what its loop of 0.16 Ω takes (IEC 60228)', () => {
    const lead = leadFor({
      from: { port: 'amplifier', family: 'plug4', values: { impedance: 1e-3 } },
      to: { port: 'loudspeaker', family: 'plug4' },
      cable: 'loudspeaker-2x2-5',
      length: { mm: 10_000, datum: 'jacket' },
    });
    const [at = 0] = decibels(lead, [50]);
    const level = useOf(lead).channels[0]?.port.levelDbu ?? 0;
    expect(at - VOLTS - level).toBeCloseTo(-20 * Math.log10((8 + 0.1596 + 0.001) / 8), 3);
  });

  it('5: a sum lead: 470, 470, 20 kΩ from sources of 0 Ω into 10 kΩ is −6.32 dB (handbook section 5)', () => {
    const lead = leadFor({
      from: { port: 'stereo-output', family: 'trs35', values: { impedance: 1e-3, levelDbu: 0 } },
      to: { port: 'line-input', family: 'xlr3', values: { impedance: 10_000 } },
      cable: 'pair-mini',
      length: { mm: 150, datum: 'jacket' },
    });
    expect(lead.because.recipe?.id).toBe('sum');
    // Its cold is joined to ground, so that of the balanced input the one leg is heard, of half the impedance.
    const half = (20_000 * 5000) / 25_000;
    const beside = (470 * half) / (470 + half);
    expect((decibels(lead, [100])[0] ?? 0) - VOLTS).toBeCloseTo(20 * Math.log10(beside / (470 + beside)), 2);
  });

  it('6: copper warms: 45 °C puts 9.825 % on a loop (IEC 60028)', () => {
    const lead = leadFor({
      from: { port: 'amplifier', family: 'plug4', values: { impedance: 1e-3 } },
      to: { port: 'loudspeaker', family: 'plug4', values: { impedance: 1e8 } },
      cable: 'loudspeaker-2x2-5',
      length: { mm: 50_000, datum: 'jacket' },
    });
    const seen = (celsius: number): number => {
      const { circuit, node } = circuitOf(lead, { celsius });
      return value(impedance(circuit, [node('B.+'), node('A.+')], [10])).re[0] ?? 0;
    };
    expect(seen(45) / seen(20)).toBeCloseTo(1.09825, 4);
  });

  it('7: the tell-tale takes 8.0 mA of P48 in all with 4.7 kΩ (IEC 61938)', () => {
    const { circuit } = circuitOf(leadNamed('tell-tale'), { supplies: true });
    expect(-1000 * value(operatingPoint(circuit)).current('V_a_supply')).toBeCloseTo(7.99, 1);
  });

  it('8: a volume box at full turn loses what the headphones and the source divide', () => {
    const lead = leadNamed('volume-box');
    const track = 100;
    const beside = (32 * track) / (32 + track);
    const [at = 0] = decibels(lead, [1000], { turn: 1 });
    expect(at - VOLTS + 2).toBeCloseTo(20 * Math.log10(beside / (10 + beside)), 2);
  });

  it('9: a ground difference across an unbalanced screen is heard whole where earth is no resistance', () => {
    const lead = line(100, 10_000);
    const made = circuitOf(lead, { groundVolts: 1, facts: { earthOhms: 1e-6 } });
    const [swept] = value(sweeps(made.circuit, [50], [made.groundSource ?? '']));
    const [heard] = made.heard;
    const screen =
      (cableById('instrument-coax')?.conductors.find((each) => each.is === 'screen')?.ohmsPerKm ?? 0) *
      ((spanLengths(lead.assembly).get('W1') ?? 0) / 1e6);
    // A milliohm of bond at either end is in the loop too.
    const expected = (screen / (screen + 0.002)) * (10_000 / 10_100);
    expect(screen).toBeGreaterThan(0.05);
    expect(magnitudes(swept?.voltage(...(heard?.between ?? ['', ''])) ?? NOTHING)[0]).toBeCloseTo(
      expected,
      3,
    );
  });

  it('10: 10 Ω between the legs of a source against 10 kΩ at each leg of the input is −60 dB (handbook section 11)', () => {
    const lead = leadFor({
      from: { port: 'line-ground-referenced', family: 'xlr3', values: { impedance: 20.0001 } },
      to: { port: 'line-input', family: 'xlr3', values: { impedance: 20_000 } },
      schools: { screen: 'source' },
      length: { mm: 150, datum: 'jacket' },
    });
    const made = circuitOf(lead, { groundVolts: 1, facts: { earthOhms: 1e-6, imbalanceOhms: 10 } });
    const [swept] = value(sweeps(made.circuit, [50], [made.groundSource ?? '']));
    const [heard] = made.heard;
    const [hum = 0] = magnitudes(
      swept?.voltage(...(heard?.between ?? ['', ''])) ?? { re: new Float64Array(1), im: new Float64Array(1) },
    );
    expect(20 * Math.log10(hum)).toBeCloseTo(-60, 0);
  });
});

describe('cables', () => {
  it.each(CABLES.map((cable) => [cable.id, cable] as const))(
    '%s: what was measured of it comes out of its partial capacitances',
    (_, cable) => {
      const { coreToCore, coreToScreen } = cable.pFPerMetre ?? {};
      if (coreToCore === undefined || coreToScreen === undefined || cable.kind === 'quad') return;
      const facts = { ...USUAL, unbalance: 0 };
      const all = capacitances(cable, facts);
      const [hot, cold] = cable.conductors.filter((each) => each.is === 'core');
      const of = (a = '', b = ''): number =>
        (all.find((each) => (each.a === a && each.b === b) || (each.a === b && each.b === a))
          ?.faradsPerMetre ?? 0) * 1e12;
      const screen =
        cable.conductors.find((each) => each.is !== 'core' && each.pair === hot?.pair) ??
        cable.conductors.find((each) => each.is !== 'core');
      const leg = of(hot?.id, cold?.id);
      expect(leg + of(hot?.id, screen?.id)).toBeCloseTo(coreToScreen, 6);
      expect(leg + of(hot?.id, screen?.id) / 2).toBeCloseTo(coreToCore, 6);
    },
  );

  it('pairs each looked at for itself load their legs as much, and reach no other pair', () => {
    const cable = cableById('multipair-8') ?? expect.fail('no multipair');
    const pairOf = new Map(cable.conductors.map(({ id, pair }) => [id, pair]));
    const [together, alone] = [capacitances(cable, USUAL), capacitances(cable, USUAL, true)];
    const onLeg = (all: typeof alone, id: string): number =>
      all.reduce((sum, { a, b, faradsPerMetre }) => sum + (a === id || b === id ? faradsPerMetre : 0), 0);
    for (const { id, is } of cable.conductors)
      if (is === 'core') expect(onLeg(alone, id) / onLeg(together, id)).toBeCloseTo(1, 12);
    const across = ({ a, b }: (typeof alone)[number]): boolean => pairOf.get(a) !== pairOf.get(b);
    // Screens and nearer legs, of eight neighbours in a ring.
    expect(together.filter(across)).toHaveLength(16);
    expect(alone.filter(across)).toEqual([]);
  });

  it('figures that cannot both be so are taken at their word: a leg has to its screen what the entry says', () => {
    const pair = cableById('pair-braid') ?? expect.fail('no pair');
    const of = (coreToCore: number, coreToScreen: number): readonly number[] => {
      const all = capacitances(
        { ...pair, pFPerMetre: { coreToCore, coreToScreen } },
        { ...USUAL, unbalance: 0 },
      ).map(({ faradsPerMetre }) => Math.round(faradsPerMetre * 1e14) / 100);
      return [...all].sort((a, b) => a - b);
    };
    // By hand: from 100 and 150 pF/m come 100 to either screen and 50 from leg to leg.
    expect(of(100, 150)).toEqual([50, 100, 100]);
    // No more to the screen than between the legs, or twice as much.
    expect(of(100, 80)).toEqual([60, 80, 80]);
    expect(of(100, 250)).toEqual([250, 250]);
  });

  it('the first leg of a pair has more to its screen by the imbalance; a core that is alone under its screen has what its entry says', () => {
    const of = (id: string) => {
      const cable = cableById(id) ?? expect.fail(id);
      return capacitances({ ...cable, pFPerMetre: { coreToScreen: 100 } }, { ...USUAL, unbalance: 0.05 })
        .filter(({ a, b }) => `${a}${b}`.includes('screen'))
        .map(({ faradsPerMetre }) => faradsPerMetre * 1e12);
    };
    expect(of('instrument-coax')).toEqual([expect.closeTo(100, 9)]);
    const [first = 0, second = 0, ...more] = of('pair-braid');
    expect(more).toEqual([]);
    expect(first / second).toBeCloseTo(1.05, 9);
  });

  it('a star quad’s legs, each two cores, have the capacitance of its entry between them', () => {
    const quad = cableById('star-quad');
    if (!quad) expect.fail('no star quad');
    const all = capacitances(quad, { ...USUAL, unbalance: 0 });
    const sum = (is: (a: string, b: string) => boolean): number =>
      all.filter(({ a, b }) => is(a, b)).reduce((total, each) => total + each.faradsPerMetre * 1e12, 0);
    const between = sum((a, b) => !`${a}${b}`.includes('screen'));
    const toScreen = sum((a, b) => `${a}${b}`.includes('screen')) / 2;
    expect(between + toScreen / 2).toBeCloseTo(160, 6);
    expect(between + toScreen).toBeCloseTo(290, 6);
  });

  it.each(CABLES.map((cable) => [cable.id, cable] as const))(
    '%s stores energy, whatever currents flow in it (passivity)',
    (_, cable) => {
      for (const at of ['low', 'usual', 'high'] as const) {
        const facts = Object.fromEntries(FACT_IDS.map((id) => [id, FACTS[id][at]])) as unknown as Facts;
        const { self, couplings } = inductances(cable, facts);
        const ids = [...self.keys()];
        const matrix = ids.map((a) =>
          ids.map((b) =>
            a === b
              ? (self.get(a) ?? 0)
              : (couplings.find((k) => (k.a === a && k.b === b) || (k.a === b && k.b === a))?.k ?? 0) *
                Math.sqrt((self.get(a) ?? 0) * (self.get(b) ?? 0)),
          ),
        );
        // Cholesky: every pivot of a matrix of energies is more than nothing.
        for (let n = 0; n < ids.length; n++) {
          const row = matrix[n] ?? [];
          expect(row[n] ?? 0).toBeGreaterThan(0);
          for (let m = n + 1; m < ids.length; m++) {
            const other = matrix[m] ?? [];
            const share = (other[n] ?? 0) / (row[n] ?? 1);
            for (let c = n; c < ids.length; c++) other[c] = (other[c] ?? 0) - share * (row[c] ?? 0);
          }
        }
        for (const { faradsPerMetre } of capacitances(cable, facts))
          expect(faradsPerMetre).toBeGreaterThan(0);
      }
    },
  );

  it('a part that is so many times its value is that in the circuit, whatever it is', () => {
    const recorder = leadFor({
      from: { port: 'microphone', family: 'xlr3' },
      to: { port: 'recorder-input', family: 'trs35' },
      cable: 'pair-mini',
    });
    const farads = (times: number): number =>
      circuitOf(recorder, { partTimes: new Map([['C1', times]]) }).circuit.elements.flatMap((each) =>
        each.kind === 'capacitor' && each.id === 'C_C1' ? each.farads : [],
      )[0] ?? 0;
    expect([farads(1), farads(1.2), farads(0.5)]).toEqual([10e-6, 12e-6, 5e-6]);
    const lamp = leadNamed('continuity-lamp');
    const [lit] = lamp.assembly.bodies.flatMap((body) =>
      body.parts.flatMap((part) => (part.kind === 'lamp' ? part.litOhms : [])),
    );
    const ohms = circuitOf(lamp, {
      partTimes: new Map([
        ['L1', 2],
        ['LA1', 2],
        ['H1', 2],
      ]),
    }).circuit.elements.flatMap((each) =>
      each.kind === 'resistor' && /^R_(L1|LA1|H1)$/.test(each.id) ? each.ohms : [],
    );
    expect(lit).toBeGreaterThan(0);
    expect(ohms).toEqual([2 * (lit ?? 0)]);
  });

  it('a filament is a tenth of its lit resistance to a meter, a sixteenth to a quarter at the ends', () => {
    const filament = (corner: 'low' | 'marked' | 'high'): readonly number[] | undefined =>
      lamp
        .measures?.({ id: 'H1', kind: 'lamp', litOhms: 80 } as never, { turn: 0, corner, times: 1.5 })
        .map(({ ohms }) => ohms);
    expect([filament('low'), filament('marked'), filament('high')]).toEqual([[7.5], [12], [30]]);
  });

  it('an input that feeds is its two halves in line, beside its two feeds', () => {
    const fed = leadFor({
      from: { port: 'microphone-phantom', family: 'xlr3', values: { impedance: 1e8 } },
      to: { port: 'microphone-input-phantom', family: 'xlr3', values: { impedance: 1800 } },
      length: { mm: 300, datum: 'face' },
    });
    const made = circuitOf(fed, { supplies: true });
    const seen = value(impedance(made.circuit, [made.node('B.2'), made.node('B.3')], [1000]));
    // What the microphone takes of its supply lies beside it (a resistance, from memory).
    const takes = 2 * 1000 * USUAL.microphoneKiloOhms;
    expect(seen.re[0]).toBeCloseTo(1 / (1 / 1800 + 1 / (2 * 6810) + 1 / takes), -1);
  });

  describe('a pair that is shorted at its far end', () => {
    const shorted = leadFor(
      {
        from: { port: 'line-transformer', family: 'xlr3', values: { impedance: 1e8 } },
        to: { port: 'line-input', family: 'xlr3', values: { impedance: 1e8 } },
        cable: 'pair-braid',
        length: { mm: 10_000, datum: 'jacket' },
      },
      [{ kind: 'join', terminals: ['B.2', 'B.3'], how: 'link' }],
    );
    const metres = (spanLengths(shorted.assembly).get('W1') ?? 0) / 1000;
    const seen = (hertz: number, facts: Partial<Facts> = {}): readonly [number, number] => {
      const made = circuitOf(shorted, { facts });
      const at = value(impedance(made.circuit, [made.node('A.2'), made.node('A.3')], [hertz]));
      return [at.re[0] ?? 0, at.im[0] ?? 0];
    };

    it('is its loop: there and back, and two joints on each core', () => {
      const core = cableById('pair-braid')?.conductors.find(({ is }) => is === 'core')?.ohmsPerKm ?? 0;
      const loop = (2 * metres * core) / 1000;
      expect(seen(10)[0]).toBeCloseTo(loop, 4);
      expect(seen(10, { jointMilliOhms: 5 })[0]).toBeCloseTo(loop + 4 * 0.005, 4);
      // What is plugged in touches outside of the lead.
      expect(seen(10, { contactMilliOhms: 30 })[0]).toBeCloseTo(loop, 4);
    });

    it('has the inductance of its loop, and twice what leaks between a core and its screen', () => {
      const hertz = 10_000;
      const henries = (facts: Partial<Facts>): number => seen(hertz, facts)[1] / (2 * Math.PI * hertz);
      for (const [loop, leakage] of [
        [0.6, 1],
        [0.8, 1],
        [0.6, 5],
      ] as const)
        expect(
          henries({ loopMicroHenries: loop, leakageNanoHenries: leakage }) /
            (metres * (loop * 1e-6 + 2 * leakage * 1e-9)),
        ).toBeCloseTo(1, 2);
    });
  });

  it('more sections change nothing that could be measured', () => {
    const lead = leadFor({
      from: { port: 'line-transformer', family: 'xlr3', values: { impedance: 600 } },
      to: { port: 'line-input', family: 'xlr3' },
      length: { mm: 200_000, datum: 'face' },
    });
    const few = circuitOf(lead);
    const many = circuitOf(lead, { highestHertz: 1e6 });
    expect(many.sections[0]?.count).toBeGreaterThan(4 * (few.sections[0]?.count ?? 0));
    const at = [100, 1000, 20_000, 100_000];
    const [a, b] = [decibels(lead, at), decibels(lead, at, { highestHertz: 1e6 })];
    at.forEach((_, n) => expect(Math.abs((a[n] ?? 0) - (b[n] ?? 0))).toBeLessThan(0.01));
    expect(sectionsFor(3, 0.2, 6e-7, 1e-10, 100_000)).toMatchObject({ count: 1 });
    // Kilometres are not cut finer without end, and then it is not said to be as near.
    expect(sectionsFor(5000, 0.2, 6e-7, 1e-10, 200_000)).toMatchObject({ count: 60 });
    expect(sectionsFor(5000, 0.2, 6e-7, 1e-10, 200_000).because).not.toContain('0.1 %');
    expect(sectionsFor(3, 0.2, 6e-7, 1e-10, 100_000).because).toContain('0.1 %');
  });

  it('ten metres of insulation leak ten times what one does, in however many sections', () => {
    const lead = line(1000, 10_000);
    const metres = (spanLengths(lead.assembly).get('W1') ?? 0) / 1000;
    for (const highestHertz of [20_000, 5_000_000]) {
      const { circuit } = circuitOf(lead, { highestHertz });
      const siemens = circuit.elements.reduce(
        (sum, each) => (each.kind === 'resistor' && each.ohms > 1e9 ? sum + 1 / each.ohms : sum),
        0,
      );
      expect(siemens / (metres / (1e9 * USUAL.insulationGigaOhmMetres))).toBeCloseTo(1, 9);
    }
  });

  it('no length is no cable, and still joins its ends', () => {
    const found = leadNamed('stage-microphone');
    const { assembly } = found;
    const situation = useOf(found);
    const { circuit, heard, driven } = leadCircuit(assembly, situation, { lengths: new Map() });
    const [swept] = value(sweeps(circuit, [1000], [driven[0]?.source ?? '']));
    expect(
      magnitudes(
        swept?.voltage(...(heard[0]?.between ?? ['', ''])) ?? {
          re: new Float64Array(1),
          im: new Float64Array(1),
        },
      )[0],
    ).toBeGreaterThan(0.8);
  });
});

describe('leads solved at a few frequencies', { timeout: 60_000 }, () => {
  const hertz = logarithmic(10, 200_000, 97);
  const used = EXAMPLES.map((each) => [each.id, leadOf(each)] as const).filter(
    ([, lead]) => lead.situations.length > 0,
  );
  it.each(used)(
    '%s: every input hears of every output what it hears solved at each, to 200 dB under the output',
    (_, lead) => {
      const { circuit, driven, heard } = leadCircuit(lead.assembly, useOf(lead), {
        lengths: spanLengths(lead.assembly),
        highestHertz: 200_000,
      });
      const drives = driven.map(({ source }) => source);
      const asked = drives.map(() => ({ voltages: heard.map(({ between }) => between), currents: drives }));
      const few = value(sweeps(circuit, hertz, drives, { asked }));
      const all = value(sweeps(circuit, hertz, drives));
      few.forEach((each, drive) => {
        for (const { between } of heard) {
          const [one, other] = [each, all[drive]].map((swept) => swept?.voltage(...between));
          hertz.forEach((_, f) => {
            const off = Math.hypot(
              (one?.re[f] ?? 0) - (other?.re[f] ?? 0),
              (one?.im[f] ?? 0) - (other?.im[f] ?? 0),
            );
            const size = Math.hypot(other?.re[f] ?? 0, other?.im[f] ?? 0);
            expect(off).toBeLessThan(1e-6 * size + 1e-10);
          });
        }
        for (const id of drives) {
          const [one, other] = [each, all[drive]].map((swept) =>
            magnitudes(swept?.current(id) ?? { re: new Float64Array(), im: new Float64Array() }),
          );
          const largest = Math.max(...(other ?? []));
          hertz.forEach((_, f) =>
            expect(Math.abs((one?.[f] ?? 0) - (other?.[f] ?? 0))).toBeLessThan(1e-6 * largest + 1e-15),
          );
        }
      });
    },
  );
});
