import { describe, expect, it } from 'vitest';
import { random } from '../../../tests/support/lines';
import { leadNamed } from '../../../tests/examples/read';
import { drillingOf, faceSize, readBox, type BoxInside, type Drilling, type Hole } from '.';

const VOLUME = leadNamed('volume-box').assembly;
const box = (lengthMm: number, widthMm: number, depthMm: number, bossMm = 6): BoxInside => ({
  lengthMm,
  widthMm,
  depthMm,
  wallMm: 2,
  bossMm,
});
const drilled = (of: BoxInside, assembly = VOLUME): Drilling => {
  const made = drillingOf(assembly, of);
  if (!made.ok) throw new Error(made.problems[0]?.says);
  return made.value;
};

/** A point in the round body behind a hole, chosen by three numbers from 0 to 1: along the box, across it, from the front. */
function pointIn(
  { face, x, y, of }: Hole,
  { lengthMm, widthMm }: BoxInside,
  [a, b, c]: readonly number[],
): readonly number[] {
  const r = (of.behind.wideMm / 2) * Math.sqrt(a ?? 0);
  const [u, v] = [r * Math.cos(2 * Math.PI * (b ?? 0)), r * Math.sin(2 * Math.PI * (b ?? 0))];
  const deep = of.behind.deepMm * (c ?? 0);
  if (face === 'front') return [x + u, y + v, deep];
  // From outside, the front up, one looks along the box at the left end and against it at the right.
  return face === 'left end' ? [deep, x + u, y + v] : [lengthMm - deep, widthMm - x - u, y + v];
}
const isIn = (hole: Hole, inside: BoxInside, point: readonly number[]): boolean => {
  const [px = 0, py = 0, pz = 0] = point;
  const [axis, ...across] =
    hole.face === 'front'
      ? [pz, px - hole.x, py - hole.y]
      : hole.face === 'left end'
        ? [px, py - hole.x, pz - hole.y]
        : [inside.lengthMm - px, inside.widthMm - py - hole.x, pz - hole.y];
  return (
    (axis ?? 0) < hole.of.behind.deepMm - 1e-9 && Math.hypot(...across) < hole.of.behind.wideMm / 2 - 1e-9
  );
};

describe('where a box is drilled', () => {
  it('a volume box of 110 × 60 × 30 mm: sockets in the middle of its ends, the knob in the middle of the front; by hand', () => {
    const { holes, clearances } = drilled(box(110, 60, 30));
    expect(holes.map(({ of, face, x, y }) => [of.id, face, x, y])).toEqual([
      ['A', 'left end', 30, 15],
      ['B', 'right end', 30, 15],
      ['RV1', 'front', 55, 30],
    ]);
    // 6.35 mm panel sockets: a hole of 9.5 mm, 14 mm wide and 20 mm deep with 6 mm of lugs behind the wall. A control of two
    // gangs: 7 mm, 17 wide, 20 deep.
    expect(holes.map(({ of }) => [of.holeMm, of.behind.wideMm, of.behind.deepMm])).toEqual([
      [9.5, 14, 26],
      [9.5, 14, 26],
      [7, 17, 20],
    ]);
    const of = (a: string, b: string) => clearances.find((each) => each.a === a && each.b === b)?.mm;
    // 55 − 8.5 − 26.
    expect(of('A', 'RV1')).toBeCloseTo(20.5, 9);
    expect(of('A', 'B')).toBeCloseTo(110 - 52, 9);
    // From the lid: 30 − 20 of the control; of the sockets 15 − 7.
    expect(of('RV1', 'a wall')).toBeCloseTo(10, 9);
    expect(of('A', 'a wall')).toBeCloseTo(8, 9);
    expect([...clearances].sort((a, b) => a.mm - b.mm)).toEqual(clearances);
  });

  it('where the middle is too tight the knob moves to the side, past the sockets', () => {
    const { holes, clearances } = drilled(box(60, 60, 30));
    const knob = holes.find(({ of }) => of.id === 'RV1');
    // The sockets take 23 to 37 of the width: a knob of 17 has its middle below 14.5 or above 45.5.
    expect(Math.abs((knob?.y ?? 30) - 30)).toBeGreaterThan(15.5);
    expect(clearances[0]?.mm).toBeGreaterThan(0);
  });

  it('a box that is too small is refused with what is in what, and how much longer, deeper or wider would do: each of those does', () => {
    // By hand, with 1 mm between things: the control between the sockets takes 26 + 1 + 17 + 1 + 26 = 71 of the length; under them
    // 20 + 1 + 14 + 1 = 36 of the depth; beside them 2 × (1 + 17 + 1 + 7) = 52 of the width.
    const small = box(60, 40, 30);
    const refused = drillingOf(VOLUME, small);
    if (refused.ok) return expect.fail('it has no room');
    const says = refused.problems[0]?.says ?? '';
    expect(refused.problems[0]).toMatchObject({ code: 'drill.collides', path: 'box' });
    // The knob to the side as far as it is as deep in the wall as in a socket: 6.5 − 8.5, and 13 − (6.5 + 8.5).
    expect(says).toMatch(/^\w+ and [\w ]+ are 2\.0 mm into each other\./);
    const [, long, deep, wide] =
      /at least (\d+) mm long, or (\d+) mm deep, or (\d+) mm wide inside has room\.$/.exec(says) ?? [];
    for (const [told, byHand] of [
      [long, 71],
      [deep, 36],
      [wide, 52],
    ] as const) {
      expect(Number(told), says).toBeGreaterThanOrEqual(byHand);
      expect(Number(told), says).toBeLessThan(byHand + 3);
    }
    drilled({ ...small, lengthMm: Number(long) });
    drilled({ ...small, depthMm: Number(deep) });
    drilled({ ...small, widthMm: Number(wide) });
    // A lid that is just as deep as a control has nothing between them.
    expect(drillingOf(VOLUME, box(110, 60, 20.5))).toMatchObject({
      ok: false,
      problems: [{ says: expect.stringMatching(/^RV1 and a wall are 0\.5 mm apart, less than 1 mm\./) }],
    });
  });

  it('of 40 random boxes: where it is drilled, no point of one thing lies in another, in a wall or in a post; every hole is on its face', () => {
    const next = random(20260);
    const between = (least: number, most: number) => Math.round(least + (most - least) * next());
    let [had, refused] = [0, 0];
    for (let n = 0; n < 40; n++) {
      const of = box(between(40, 130), between(25, 90), between(18, 60), between(0, 7));
      const made = drillingOf(VOLUME, of);
      if (!made.ok) {
        refused++;
        continue;
      }
      had++;
      const { holes } = made.value;
      for (const hole of holes) {
        const [wide, high] = faceSize(hole.face, of);
        expect(hole.x).toBeGreaterThan(0);
        expect(hole.y).toBeGreaterThan(0);
        expect(hole.x).toBeLessThan(wide);
        expect(hole.y).toBeLessThan(high);
        for (let m = 0; m < 60; m++) {
          const point = pointIn(hole, of, [m % 3 === 0 ? 1 : next(), next(), m % 5 === 0 ? 1 : next()]);
          const [x = 0, y = 0, z = 0] = point;
          const where = JSON.stringify({ of, hole: hole.of.id, point });
          expect(Math.min(x, y, z, of.lengthMm - x, of.widthMm - y, of.depthMm - z), where).toBeGreaterThan(
            -1e-6,
          );
          const isPost =
            Math.min(x, of.lengthMm - x) < of.bossMm - 1e-6 && Math.min(y, of.widthMm - y) < of.bossMm - 1e-6;
          expect(isPost, where).toBe(false);
          for (const other of holes) if (other !== hole) expect(isIn(other, of, point), where).toBe(false);
        }
      }
    }
    expect(had).toBeGreaterThan(8);
    expect(refused).toBeGreaterThan(5);
  });

  it('a larger box never has less room than one that it holds', () => {
    const least = (of: BoxInside) => drilled(of).clearances[0]?.mm ?? 0;
    expect(least(box(120, 70, 40))).toBeGreaterThanOrEqual(least(box(110, 60, 30)) - 1e-9);
  });

  it('what is no box has nothing drilled', () =>
    expect(drillingOf(leadNamed('stage-microphone').assembly, box(110, 60, 30))).toMatchObject({
      ok: false,
      problems: [{ code: 'drill.no-box' }],
    }));
});

describe('a box as it is measured', () => {
  const asked = { length: '110 mm', width: '60', depth: '1 1/4 in' };

  it('is read as people write lengths, a bare number in mm; wall and posts are as usual where nothing is said', () =>
    expect(readBox(asked)).toEqual({
      ok: true,
      value: { lengthMm: 110, widthMm: 60, depthMm: 31.75, wallMm: 2, bossMm: 6 },
    }));

  it.each(['0', '0 mm', '0.0', '00'])('no posts at all are “%s”', (boss) =>
    expect(readBox({ ...asked, boss })).toMatchObject({ ok: true, value: { bossMm: 0 } }),
  );

  it.each([
    [{ ...asked, length: '' }, 'length', 'box.measure'],
    [{ ...asked, width: 'wide' }, 'width', 'length.unreadable'],
    [{ ...asked, depth: '-30' }, 'depth', 'length.negative'],
    [{ ...asked, length: '19' }, 'length', 'box.range'],
    [{ ...asked, length: '401' }, 'length', 'box.range'],
    [{ ...asked, width: '14.9' }, 'width', 'box.range'],
    [{ ...asked, wall: '0.4' }, 'wall', 'box.range'],
    [{ ...asked, wall: '0' }, 'wall', 'length.zero'],
    [{ ...asked, boss: '20.5' }, 'boss', 'box.range'],
    [{ ...asked, width: '30', boss: '10.1' }, 'boss', 'box.posts'],
  ])('%j is refused at %s', (typed, path, code) =>
    expect(readBox(typed)).toMatchObject({ ok: false, problems: [{ path, code }] }),
  );

  it('at the limit it is read', () => {
    for (const typed of [
      { ...asked, length: '20', boss: '0' },
      { ...asked, length: '400' },
      { ...asked, width: '30', boss: '10' },
    ])
      expect(readBox(typed).ok, JSON.stringify(typed)).toBe(true);
  });
});
