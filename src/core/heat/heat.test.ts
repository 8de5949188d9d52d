import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { schoolsOf } from '../lead';
import { USUAL_SCHOOLS } from '../wiring';
import {
  heatedJoint,
  heatOf,
  integrate,
  powerAt,
  ROOM,
  ROOM_C,
  TIPS,
  withIron,
  type HeatAnswer,
  type Known,
  type ThermalNetwork,
} from '.';

const OFF = { node: 'a', watts: 0, settingC: 300 } as const;
const answer = (
  name: string,
  joint: string,
  known: Known = {},
  schools: Record<string, string> = {},
): HeatAnswer => {
  const lead = leadNamed(name);
  const found = heatOf(lead.assembly, joint, { ...schoolsOf(lead), ...schools }, known);
  if (!found.ok) throw new Error(JSON.stringify(found.problems));
  return found.value;
};
const CUP = ['stage-microphone', 'joint-A-2'] as const;
const TAB = ['stereo-35-to-35', 'joint-A-T'] as const;

describe('one body and two, against closed forms', () => {
  it('cools to the room as e to the −t/RC', () => {
    const one: ThermalNetwork = {
      nodes: [{ id: 'a', joulesPerKelvin: 0.5, startC: 320 }],
      links: [{ from: 'a', to: ROOM, kelvinPerWatt: 4 }],
      heater: OFF,
    };
    for (const { s, celsius } of integrate(one, { seconds: 8 }))
      expect(celsius[0]).toBeCloseTo(ROOM_C + 300 * Math.exp(-s / 2), 2);
  });

  it('warms under full power along a straight line, and to P·R above the room in the end', () => {
    const heater = { node: 'a', watts: 20, settingC: 2000 };
    const alone: ThermalNetwork = {
      nodes: [{ id: 'a', joulesPerKelvin: 0.5, startC: 20 }],
      links: [],
      heater,
    };
    expect(integrate(alone, { seconds: 2 }).at(-1)?.celsius[0]).toBeCloseTo(20 + (20 / 0.5) * 2, 6);
    const held = { ...alone, links: [{ from: 'a', to: ROOM, kelvinPerWatt: 3 }] };
    expect(integrate(held, { seconds: 30 }).at(-1)?.celsius[0]).toBeCloseTo(ROOM_C + 60, 3);
  });

  it('two bodies come to what they hold between them, and nothing is lost on the way', () => {
    const two: ThermalNetwork = {
      nodes: [
        { id: 'a', joulesPerKelvin: 0.2, startC: 300 },
        { id: 'b', joulesPerKelvin: 0.6, startC: 20 },
      ],
      links: [{ from: 'a', to: 'b', kelvinPerWatt: 5 }],
      heater: OFF,
    };
    const together = (0.2 * 300 + 0.6 * 20) / 0.8;
    const rate = (1 / 5) * (1 / 0.2 + 1 / 0.6);
    for (const { s, celsius } of integrate(two, { seconds: 5 })) {
      const [a = 0, b = 0] = celsius;
      expect(0.2 * a + 0.6 * b).toBeCloseTo(0.2 * 300 + 0.6 * 20, 6);
      expect(a).toBeCloseTo(together + (300 - together) * Math.exp(-rate * s), 2);
    }
  });

  it('is stable where a time constant is a thousandth of the step', () => {
    const stiff: ThermalNetwork = {
      nodes: [
        { id: 'a', joulesPerKelvin: 1, startC: 350 },
        { id: 'b', joulesPerKelvin: 1e-5, startC: 20 },
      ],
      links: [{ from: 'a', to: 'b', kelvinPerWatt: 1 }],
      heater: OFF,
    };
    for (const { s, celsius } of integrate(stiff, { seconds: 1 }))
      if (s > 0.05) expect(celsius[1]).toBeCloseTo(celsius[0] ?? 0, 3);
  });

  it('a regulated iron comes to rest below its setting by the share of its power that the room takes', () => {
    const heater = { node: 'a', watts: 50, settingC: 350 };
    const iron: ThermalNetwork = {
      nodes: [{ id: 'a', joulesPerKelvin: 6, startC: 20 }],
      links: [{ from: 'a', to: ROOM, kelvinPerWatt: 33 }],
      heater,
    };
    const rest = integrate(iron, { seconds: 200, step: 0.05 }).at(-1)?.celsius[0] ?? 0;
    expect(powerAt(heater, rest)).toBeCloseTo((rest - ROOM_C) / 33, 4);
    expect(rest).toBeGreaterThan(340);
  });
});

describe('joints of leads', () => {
  it('an XLR cup takes a chisel and about 2 s, a 3.5 mm tab a needle and about 1 s (handbook, section 15: iron by joint)', () => {
    const cup = answer(...CUP, { settingC: 370 });
    expect(cup.tip).toBe('2 to 3 mm chisel');
    expect(cup.dwell).toBeGreaterThan(1.5);
    expect(cup.dwell).toBeLessThan(3);
    const tab = answer(...TAB, { settingC: 340 });
    expect(tab.tip).toBe('needle');
    expect(tab.dwell).toBeGreaterThan(0.8);
    expect(tab.dwell).toBeLessThan(2);
  });

  it('what a tab and a lug of a small plug hold and pass on, and of a large one; by hand from their sizes', () => {
    /** Brass 3.2 mJ/(mm³·K), solder with its melting 3.68, a wire of 5 mm in it 0.25 mm² of copper at 3.45 (handbook, section 9). */
    const [brass, solder, wire] = [3.2e-3, 3.68e-3, 0.25 * 5 * 3.45e-3];
    const of = (name: string, id: string) => {
      const made = heatedJoint(leadNamed(name).assembly, id);
      if (!made.ok) throw new Error(made.problems[0]?.says);
      const { nodes, links } = made.value;
      const holds = (node: string) => nodes.find((each) => each.id === node)?.joulesPerKelvin ?? NaN;
      const passes = (from: string, to: string) =>
        links.find((each) => each.from === from && each.to === to)?.kelvinPerWatt ?? NaN;
      return {
        own: holds('joint') - wire,
        pin: holds('contact1'),
        insert: holds('insert1'),
        toPin: passes('joint', 'contact1'),
        toInsert: passes('contact1', 'insert1'),
        toRoom: passes('insert1', ROOM),
      };
    };
    // A tab of 2 × 3 × 0.4 mm, 3 mm³ of solder; 20 mm³ behind it, 6 mm along at 1.2 mm² and 0.11 W/(mm·K); 40 mm³ of plastic at 2.1 mJ.
    const small = of('stereo-35-to-35', 'joint-A-T');
    expect(small.own).toBeCloseTo(2 * 3 * 0.4 * brass + 3 * solder, 9);
    expect(small.pin).toBeCloseTo(20 * brass, 9);
    expect(small.toPin).toBeCloseTo(6 / (1.2 * 0.11), 6);
    expect([small.insert, small.toInsert, small.toRoom]).toEqual([expect.closeTo(40 * 2.1e-3, 9), 40, 150]);
    // Twice as wide, 60 mm³ behind it at 2 mm², 120 mm³ of plastic.
    const large = of('instrument-lead', 'joint-A-T');
    expect(large.own).toBeCloseTo(4 * 3 * 0.4 * brass + 3 * solder, 9);
    expect(large.pin).toBeCloseTo(60 * brass, 9);
    expect(large.toPin).toBeCloseTo(6 / (2 * 0.11), 6);
    expect([large.insert, large.toInsert, large.toRoom]).toEqual([expect.closeTo(120 * 2.1e-3, 9), 20, 150]);
    // The sleeve’s lug: 5 mm long, 0.5 thick, 4 or 8 wide, 6 mm³ of solder, and what the shell holds behind it.
    const lug = of('stereo-35-to-35', 'joint-A-S');
    expect(lug.own).toBeCloseTo(5 * 0.5 * 4 * brass + 6 * solder, 9);
    expect([lug.pin, lug.toPin]).toEqual([expect.closeTo(60 * brass, 9), expect.closeTo(4 / (2 * 0.11), 6)]);
    const wide = of('instrument-lead', 'joint-A-S');
    expect(wide.own).toBeCloseTo(5 * 0.5 * 8 * brass + 6 * solder, 9);
    expect([wide.pin, wide.toPin]).toEqual([
      expect.closeTo(200 * brass, 9),
      expect.closeTo(8 / (3 * 0.11), 6),
    ]);
  });

  it('at 200 °C it never wets, however long it is held (handbook, section 9: that melts the plug)', () => {
    const cold = answer(...CUP, { settingC: 200 });
    expect(cold.dwell).toBeUndefined();
    expect(cold.warning).toContain('needs more iron');
  });

  it('hotter and shorter beats cooler and longer: what is spare grows with the setting, on a joint with a core', () => {
    const spare = [340, 360, 380].map((settingC) => answer(...CUP, { settingC }).spare ?? -9);
    expect(spare[0]).toBeLessThan(spare[1] ?? 0);
    expect(spare[1]).toBeLessThan(spare[2] ?? 0);
  });

  it('a weaker iron takes longer, and a clip leaves more time though it takes heat', () => {
    const at = (known: Known): HeatAnswer => answer(...CUP, { settingC: 360, ...known });
    expect(at({ watts: 25 }).wetsAt ?? 9).toBeGreaterThan(at({ watts: 50 }).wetsAt ?? 0);
    const [bare, clipped] = [at({}), at({ clip: true })];
    expect(clipped.givesWayAt ?? 9).toBeGreaterThan((bare.givesWayAt ?? 9) + 1);
    expect(clipped.wetsAt ?? 0).toBeGreaterThan(bare.wetsAt ?? 9);
  });

  it('solder that melts higher wets later', () => {
    const at = (solder: string): number => answer(...CUP, { settingC: 370 }, { solder }).wetsAt ?? 99;
    expect(at('lead-free')).toBeGreaterThan(at('tin-lead'));
    expect(at('tin-lead')).toBeGreaterThan(at('silver'));
  });

  it('a screen has nothing that recedes: its joint takes longer, and only the insert is at risk', () => {
    const screen = answer('stage-microphone', 'joint-A-1', { settingC: 370 });
    const core = answer(...CUP, { settingC: 370 });
    expect(screen.wetsAt ?? 0).toBeGreaterThan(core.wetsAt ?? 9);
    expect(screen.givesWayAt ?? 99).toBeGreaterThan(core.givesWayAt ?? 0);
  });

  it('what was measured settles the tip: the same time comes out, and another joint follows', () => {
    const usual = answer(...CUP, { settingC: 360, watts: 50 });
    const slow = answer(...CUP, { settingC: 360, watts: 50, meltSeconds: 3 });
    expect(slow.wetsAt ?? 0).toBeGreaterThan(3);
    expect(slow.wetsAt ?? 0).toBeGreaterThan(usual.wetsAt ?? 9);
    const lead = leadNamed(CUP[0]);
    expect(
      heatOf(lead.assembly, CUP[1], schoolsOf(lead), { settingC: 360, meltSeconds: 0.01 }),
    ).toMatchObject({
      ok: false,
      problems: [{ code: 'heat.melt' }],
    });
  });

  it('a link is heated place by place, and a chassis takes the widest tip (handbook, section 15: larger metal)', () => {
    const link = answer('stereo-sum', 'link-B-1-3', { settingC: 370 });
    expect(link.dwell ?? 9).toBeLessThan(3);
    const strap = answer('record-player-unified', 'link-A-Lm-A-Rm-a-case', { settingC: 370 });
    expect(strap.tip).toBe('wide chisel');
    expect(strap.dwell ?? 0).toBeGreaterThan(
      answer('record-player-unified', 'joint-A-Lp', { settingC: 370 }).dwell ?? 9,
    );
    const weak = answer('record-player-unified', 'link-A-Lm-A-Rm-a-case', { settingC: 370, watts: 25 });
    expect(weak.wetsAt ?? 99).toBeGreaterThan(strap.wetsAt ?? 99);
  });

  it('a screw is not heated, and a joint that there is none of is named', () => {
    const screwed = leadNamed('loudspeaker-two-pole');
    const id = screwed.assembly.bodies.flatMap(({ joints }) => joints)[0]?.id ?? '';
    expect(heatOf(screwed.assembly, id, USUAL_SCHOOLS)).toMatchObject({ problems: [{ code: 'heat.cold' }] });
    expect(heatOf(screwed.assembly, 'joint-Z', USUAL_SCHOOLS)).toMatchObject({
      problems: [{ code: 'heat.joint', path: 'joint' }],
    });
    expect(heatOf(screwed.assembly, id, USUAL_SCHOOLS, { watts: 1 })).toMatchObject({
      problems: [{ code: 'heat.watts' }],
    });
    expect(heatOf(screwed.assembly, id, USUAL_SCHOOLS, { settingC: 900 })).toMatchObject({
      problems: [{ code: 'heat.setting' }],
    });
  });

  it('laws: a hotter tip melts sooner, and held longer nothing under the iron gets cooler', () => {
    const lead = leadNamed('stage-microphone');
    const joint = heatedJoint(lead.assembly, 'joint-A-3');
    if (!joint.ok) throw new Error('joint');
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 420 }),
        fc.integer({ min: 1, max: 60 }),
        fc.constantFrom(...TIPS),
        (settingC, more, tip) => {
          const run = (celsius: number) =>
            integrate(withIron(joint.value, { watts: 50, settingC: celsius, tip }, 'wet'), {
              seconds: 2,
              step: 0.02,
            });
          const [cool, hot] = [run(settingC), run(settingC + more)];
          const index = 2;
          for (const [n, { celsius }] of cool.entries())
            expect(hot[n]?.celsius[index]).toBeGreaterThanOrEqual((celsius[index] ?? 0) - 1e-6);
          for (let n = 1; n < cool.length; n++)
            expect(cool[n]?.celsius[index]).toBeGreaterThanOrEqual((cool[n - 1]?.celsius[index] ?? 0) - 0.05);
        },
      ),
      { numRuns: 20 },
    );
  });
});
