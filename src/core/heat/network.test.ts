import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { conductorsOf, connectorOf, type Assembly } from '../assembly';
import { heatedJoint, ROOM, TIPS, type HeatedJoint } from '.';

/**
 * What a joint holds and passes on, by volumes and lengths worked out here: copper 3.45 mJ/(mm³·K) and 0.39 W/(mm·K), brass 3.2 and
 * 0.11, plastic 2.1, polyethylene 2.45 more to melt, solder with its melting 3.68 (handbooks of materials, from memory).
 */
/** One wire in the joint: 5 mm of a quarter of a square millimetre of copper. */
const STRANDS = 5 * 0.25 * 3.45e-3;
const round = (across: number): number => Math.PI * (across / 2) * (across / 2);
const made = (assembly: Assembly, id: string, clip = false): HeatedJoint => {
  const joint = heatedJoint(assembly, id, { clip });
  if (!joint.ok) throw new Error(joint.problems[0]?.says);
  return joint.value;
};
const holds = (joint: HeatedJoint, id: string) => joint.nodes.find((each) => each.id === id)?.joulesPerKelvin;
const between = ({ links, wires }: HeatedJoint, a: string, b: string) =>
  [...links, ...wires.wet].find(({ from, to }) => from === a && to === b)?.kelvinPerWatt;

describe('an XLR cup with one core', () => {
  const { assembly } = leadNamed('stage-microphone');
  const joint = made(assembly, 'joint-A-2');
  const end = assembly.bodies.flatMap(({ ends }) => ends).find(({ id }) => id === 'A') ?? expect.fail();
  const bore = connectorOf(assembly, end)?.contacts.find(({ id }) => id === '2')?.boreMm ?? expect.fail();
  const span = assembly.spans[0] ?? expect.fail();
  const core = conductorsOf(assembly, span).find(({ is }) => is === 'core') ?? expect.fail();
  const outer = core.outerMm ?? expect.fail();
  const mm2 = 17.241 / (core.ohmsPerKm ?? expect.fail());

  it('is a tube 5 mm deep with 0.6 mm of wall, a quarter cut away, seven tenths full of solder; its pin goes on for 12 mm', () => {
    const wall = round(bore + 1.2) - round(bore);
    const own = 0.75 * wall * 5 * 3.2e-3 + 0.7 * round(bore) * 5 * 3.68e-3 + STRANDS;
    expect(holds(joint, 'joint')).toBeCloseTo(own, 9);
    expect(holds(joint, 'contact1')).toBeCloseTo(round(bore) * 12 * 3.2e-3, 9);
    expect(between(joint, 'joint', 'contact1')).toBeCloseTo(6 / (round(bore) * 0.11), 6);
    expect(holds(joint, 'insert1')).toBeCloseTo(120 * 2.1e-3, 9);
    expect(between(joint, 'contact1', 'insert1')).toBe(20);
    expect(between(joint, 'insert1', ROOM)).toBe(150);
    expect(joint.wideMm).toBeCloseTo(bore + 1.2, 9);
    expect(joint.flows).toBeCloseTo(0.3 + 0.3 * (bore / 2.6) ** 2, 9);
  });

  it('its core is bare for 1.5 mm, then under insulation that may draw back two of its diameters, and 15 mm beyond', () => {
    expect(holds(joint, 'bare1')).toBeCloseTo(1.5 * mm2 * 3.45e-3, 9);
    const perMm = mm2 * 3.45e-3 + (round(outer) - mm2) * (2.1e-3 + 2.45e-3);
    const lengths = [outer, outer, 1, 2, 4, 8];
    let [before, from] = [1.5, 'bare1'];
    lengths.forEach((mm, n) => {
      const id = `core1.${n + 1}`;
      expect(holds(joint, id), id).toBeCloseTo(mm * perMm, 9);
      // From the middle of one to the middle of the next through copper; to still air by its skin.
      expect(between(joint, from, id), id).toBeCloseTo((before + mm) / 2 / (mm2 * 0.39), 6);
      expect(between(joint, id, ROOM), id).toBeCloseTo(1 / (15e-6 * Math.PI * outer * mm), 3);
      [before, from] = [mm, id];
    });
    // Where what may draw back ends, it must not melt.
    expect(joint.risks.filter(({ melts }) => melts).map(({ node }) => node)).toEqual(['core1.3']);
  });

  it('a wire that lies dry against it passes little on; a clip on the bare core takes heat away', () => {
    const into = (of: HeatedJoint['wires']['dry']) => of.find(({ to }) => to === 'bare1')?.kelvinPerWatt;
    const half = 0.75 / (mm2 * 0.39);
    expect(into(joint.wires.dry)).toBeCloseTo(60 + half, 6);
    expect(into(joint.wires.wet)).toBeCloseTo(1 + half, 6);
    expect(holds(joint, 'clip1')).toBeUndefined();
    const clipped = made(assembly, 'joint-A-2', true);
    expect(holds(clipped, 'clip1')).toBe(1.5);
    expect(between(clipped, 'bare1', 'clip1')).toBe(12);
  });
});

it('the sleeve of a 6.35 mm jack is a lug 8 mm wide, 5 deep and half a millimetre thick, with 6 mm³ of solder; of a small one half so wide', () => {
  for (const [name, wide, behind, mm, mm2] of [
    ['instrument-lead', 8, 200, 8, 3],
    ['stereo-35-to-35', 4, 60, 4, 2],
  ] as const) {
    const joint = made(leadNamed(name).assembly, 'joint-A-S');
    expect(holds(joint, 'joint'), name).toBeCloseTo(5 * 0.5 * wide * 3.2e-3 + 6 * 3.68e-3 + STRANDS, 9);
    expect(holds(joint, 'contact1'), name).toBeCloseTo(behind * 3.2e-3, 9);
    expect(between(joint, 'joint', 'contact1'), name).toBeCloseTo(mm / (mm2 * 0.11), 6);
    expect(joint.wideMm).toBe(wide);
  }
});

it('a tip gives its heat the better the wider it is, and holds more (from memory)', () =>
  expect(
    TIPS.map(({ id, wideMm, toJoint, joulesPerKelvin, toHeater }) => [
      id,
      wideMm,
      [toJoint.from, toJoint.usual, toJoint.to],
      joulesPerKelvin,
      toHeater,
    ]),
  ).toEqual([
    ['needle', 0.8, [9, 13, 20], 0.3, 6],
    ['chisel', 2.4, [3.5, 5, 8], 0.7, 2.5],
    ['wide chisel', 5, [2.5, 3.5, 5.5], 1.6, 2],
  ]));
