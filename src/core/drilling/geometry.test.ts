import { describe, expect, it } from 'vitest';
import { random } from '../../../tests/support/lines';
import { leadNamed } from '../../../tests/examples/read';
import { CONNECTORS } from '../catalogue';
import type { Assembly } from '../assembly';
import { coverDrilling, drillingOf, readBox, readCover, type BoxInside, type Drilling, type Hole } from '.';

const VOLUME = leadNamed('volume-box').assembly;
/** The volume box with other sockets in it, and a control of other gangs. */
function withSockets(ids: readonly string[], gangs?: number): Assembly {
  const entries = ids.map((id) => {
    const entry = CONNECTORS.find((each) => each.id === id);
    if (!entry) throw new Error(`no ${id}`);
    return entry;
  });
  return {
    ...VOLUME,
    uses: { ...VOLUME.uses, connectors: [...VOLUME.uses.connectors, ...entries] },
    bodies: VOLUME.bodies.map((body) => ({
      ...body,
      ends: ids.map((connector, n) => ({
        ...(body.ends[Math.min(n, body.ends.length - 1)] as (typeof body.ends)[0]),
        id: String.fromCharCode(65 + n),
        connector,
      })),
      parts: body.parts.map((part) =>
        gangs !== undefined && part.kind === 'potentiometer'
          ? { ...part, gangs: Array.from({ length: gangs }, (_, n) => `${n}`) }
          : part,
      ),
    })),
  };
}
const box = (lengthMm: number, widthMm: number, depthMm: number, bossMm = 6, wallMm = 2): BoxInside => ({
  lengthMm,
  widthMm,
  depthMm,
  wallMm,
  bossMm,
});
const drilled = (of: BoxInside, assembly = VOLUME): Drilling => {
  const made = drillingOf(assembly, of);
  if (!made.ok) throw new Error(made.problems[0]?.says);
  return made.value;
};

type Room = readonly (readonly [from: number, to: number])[];
/** What a hole’s thing takes of the box, by its own reckoning: along, across, from the front. */
function roomOf({ face, x, y, of }: Hole, { lengthMm, widthMm }: BoxInside): Room {
  const r = of.behind.wideMm / 2;
  const round = (at: number) => [at - r, at + r] as const;
  if (face === 'front') return [round(x), round(y), [0, of.behind.deepMm]];
  return face === 'left end'
    ? [[0, of.behind.deepMm], round(x), round(y)]
    : [[lengthMm - of.behind.deepMm, lengthMm], round(widthMm - x), round(y)];
}
/** From one to the other; below nothing by how much they stand in each other at the least. */
function between(one: Room, other: Room): number {
  const gaps = one.map(([from, to], axis) => {
    const [start = 0, end = 0] = other[axis] ?? [];
    return from >= end ? from - end : start >= to ? start - to : -Math.min(to - start, end - from);
  });
  return gaps.some((gap) => gap > 0)
    ? Math.sqrt(gaps.reduce((sum, gap) => sum + Math.max(0, gap) ** 2, 0))
    : Math.max(...gaps);
}

/** Every clearance of a box, in no order. */
function byHand({ holes, box: of }: Drilling): readonly string[] {
  const { lengthMm, widthMm, depthMm, wallMm, bossMm } = of;
  const said = (a: string, b: string, mm: number) => `${a} / ${b}: ${mm.toFixed(6)}`;
  const rooms = holes.map((hole) => roomOf(hole, of));
  const corners: Room[] =
    bossMm === 0
      ? []
      : [0, 1].flatMap((n) =>
          [0, 1].map((m): Room => [
            n === 0 ? [0, bossMm] : [lengthMm - bossMm, lengthMm],
            m === 0 ? [0, bossMm] : [widthMm - bossMm, widthMm],
            [0, depthMm],
          ]),
        );
  return holes.flatMap((hole, n) => {
    const room = rooms[n] as Room;
    const walls = [lengthMm, widthMm, depthMm].flatMap((wall, axis) => {
      const [from = 0, to = 0] = room[axis] ?? [];
      const through = hole.face === 'front' ? [2, 0] : hole.face === 'left end' ? [0, 0] : [0, 1];
      return [from, wall - to].filter((_, side) => !(through[0] === axis && through[1] === side));
    });
    const [wide, high] = hole.face === 'front' ? [lengthMm, widthMm] : [widthMm, depthMm];
    const edge = Math.min(hole.x, wide - hole.x, hole.y, high - hole.y) + wallMm - hole.of.frontMm / 2;
    return [
      said(hole.of.id, 'a wall', Math.min(...walls)),
      ...corners.map((corner) => said(hole.of.id, 'a corner post', between(room, corner))),
      ...holes.flatMap((other, m) =>
        m > n ? [said(hole.of.id, other.of.id, between(room, rooms[m] as Room))] : [],
      ),
      said(`the nut of ${hole.of.id}`, 'the edge of its face', edge),
      ...holes.flatMap((other, m) =>
        m > n && other.face === hole.face
          ? [
              said(
                `the nut of ${hole.of.id}`,
                `that of ${other.of.id}`,
                Math.sqrt((hole.x - other.x) ** 2 + (hole.y - other.y) ** 2) -
                  hole.of.frontMm / 2 -
                  other.of.frontMm / 2,
              ),
            ]
          : [],
      ),
    ];
  });
}

describe('what is screwed into a box, by hand from its catalogue entry', () => {
  it.each([
    // Hole; its nut 5 mm wider, an XLR’s flange of 26 × 31 mm; behind the wall its body, with 6 mm of lugs.
    ['trs635-panel', [9.5, 14.5, 14, 26]],
    ['trs35-panel', [6, 11, 14, 16]],
    ['phono-panel', [8, 13, 12, 16]],
    ['xlr3-panel-socket', [24, 31, 24, 24]],
  ] as const)('%s', (id, [hole, front, wide, deep]) => {
    const [a] = drilled(box(200, 120, 60), withSockets([id, 'trs635-panel'])).holes;
    expect([a?.of.holeMm, a?.of.frontMm]).toEqual([hole, front]);
    expect([a?.of.behind.wideMm, a?.of.behind.deepMm]).toEqual([wide, deep]);
    expect(a?.of.nub).toBeUndefined();
  });

  it.each([
    [1, 'control of 1 gang', 12],
    [2, 'control of 2 gangs', 20],
    [4, 'control of 4 gangs', 36],
  ])('a control of %i', (gangs, says, deepMm) => {
    const knob = drilled(box(200, 120, 60), withSockets(['trs635-panel', 'trs635-panel'], gangs)).holes.at(
      -1,
    );
    expect(knob?.of).toMatchObject({
      says,
      holeMm: 7,
      frontMm: 12,
      behind: { wideMm: 17, deepMm },
      nub: { fromMm: 7.8, holeMm: 3 },
    });
  });

  it('a cable socket has no hole that is known', () => {
    const made = drillingOf(withSockets(['trs635-panel', 'trs635-socket']), box(110, 60, 30));
    expect(made).toMatchObject({ ok: false, problems: [{ code: 'drill.hole' }] });
    expect(made.ok ? '' : made.problems[0]?.says).toContain('socket B ');
  });
});

describe('how far everything is apart', () => {
  it('is what other geometry says of it, in 60 boxes of several sockets', () => {
    const next = random(77);
    const whole = (least: number, most: number) => Math.round(least + (most - least) * next());
    const kinds = [
      withSockets(['trs635-panel', 'trs635-panel']),
      withSockets(['trs35-panel', 'phono-panel', 'trs635-panel'], 1),
      withSockets(['trs635-panel', 'phono-panel', 'phono-panel', 'trs35-panel'], 3),
    ];
    let made = 0;
    for (let n = 0; n < 60; n++) {
      const of = box(
        whole(60, 150),
        whole(40, 110),
        whole(25, 70),
        n % 4 === 0 ? 0 : whole(4, 12),
        whole(1, 4),
      );
      const drilling = drillingOf(kinds[n % kinds.length] as Assembly, of);
      if (!drilling.ok) continue;
      made++;
      const { clearances } = drilling.value;
      expect(clearances.map(({ a, b, mm }) => `${a} / ${b}: ${mm.toFixed(6)}`).sort()).toEqual(
        [...byHand(drilling.value)].sort(),
      );
      expect(clearances.map(({ mm }) => mm)).toEqual(clearances.map(({ mm }) => mm).sort((a, b) => a - b));
      expect(clearances[0]?.mm).toBeGreaterThanOrEqual(1);
    }
    expect(made).toBeGreaterThan(25);
  });

  it('several on one end stand evenly over its width, what it comes from alone on the left', () => {
    const { holes } = drilled(
      box(160, 90, 50),
      withSockets(['trs635-panel', 'phono-panel', 'phono-panel', 'trs35-panel'], 1),
    );
    expect(holes.map(({ of, face, x, y }) => [of.id, face, x, y])).toEqual([
      ['A', 'left end', 45, 25],
      ['B', 'right end', 15, 25],
      ['C', 'right end', 45, 25],
      ['D', 'right end', 75, 25],
      ['RV1', 'front', 80, 45],
    ]);
  });

  it('in its middle where that leaves 3 mm; else where 3 mm are left; else no place of half a millimetre leaves a millimetre more', () => {
    // Sockets 7 mm round their middle, 26 deep; the knob 20 deep: from it to the lid is the least in a box that is wide and long.
    const three = drilled(box(120, 90, 23));
    expect([three.clearances[0]?.mm, three.holes[0]?.y, three.holes[2]?.y]).toEqual([3, 11.5, 45]);
    // 9 mm wide beside what stands on the ends: the knob goes as far to the side as leaves 3 mm, no farther.
    const tight = drilled(box(62, 80, 40));
    expect(tight.clearances[0]?.mm).toBeGreaterThanOrEqual(3);
    expect(tight.holes[2]?.y).not.toBe(40);
    const low = drilled(box(60, 56, 30));
    const [left, , knob] = low.holes;
    expect(left && knob).toBeDefined();
    let most = 0;
    for (let socketsY = 0.5; socketsY < 30; socketsY += 0.5)
      for (let knobY = 0.5; knobY < 56; knobY += 0.5) {
        const moved = low.holes.map((hole) => ({ ...hole, y: hole.face === 'front' ? knobY : socketsY }));
        const all = byHand({ ...low, holes: moved }).map((each) => Number(each.split(': ')[1]));
        most = Math.max(most, Math.min(...all));
      }
    expect(low.clearances[0]?.mm).toBeGreaterThan(Math.min(3, most) - 1);
    expect(low.clearances[0]?.mm).toBeLessThanOrEqual(most + 0.5);
  });
});

describe('measures at their limits', () => {
  const usual = { length: '110', width: '60', depth: '30' };
  it.each([
    ['length', 20, 400],
    ['width', 15, 300],
    ['depth', 10, 200],
    ['wall', 0.5, 10],
    ['boss', 0.01, 20],
  ] as const)('%s of a box: from %f to %f mm', (field, least, most) => {
    const at = (mm: number) => readBox({ ...usual, boss: '0', [field]: `${mm} mm` });
    expect([at(least).ok, at(most).ok]).toEqual([true, true]);
    for (const mm of [...(field === 'boss' ? [] : [least - 0.1]), most + 0.1])
      expect(at(mm)).toMatchObject({ ok: false, problems: [{ code: 'box.range', path: field }] });
  });
  it('what is missing or of no such box is all said at once', () => {
    const none = readBox({ length: '', width: '1 mm', depth: 'deep' });
    expect(none.ok ? [] : none.problems.map(({ code, path }) => `${path} ${code}`)).toEqual([
      'length box.measure',
      'width box.range',
      'depth length.unreadable',
    ]);
  });

  it.each([
    ['across', 15, 300],
    ['high', 15, 300],
    ['rim', 0.3, 10],
    ['deep', 1, 200],
    ['behind', 0, 60],
    ['tall', 0, 60],
  ] as const)('%s of a cover: from %f to %f mm', (field, least, most) => {
    const at = (mm: number) =>
      readCover({ across: '100 mm', high: '100 mm', deep: '20 mm', [field]: `${mm} mm` });
    expect([at(least).ok, at(most).ok]).toEqual([true, true]);
    if (least > 0) expect(at(least - 0.1)).toMatchObject({ problems: [{ code: 'box.range', path: field }] });
    if (most !== 60) expect(at(most + 0.1)).toMatchObject({ problems: [{ code: 'box.range', path: field }] });
  });
  const behind = (asked: Parameters<typeof readCover>[0]) => {
    const cover = readCover({ deep: '20 mm', ...asked });
    return cover.ok ? cover.value : cover.problems[0]?.path;
  };
  it('what stands behind is 300 mm at the most, and never larger than the cover: round in round, a square by its diagonal', () => {
    expect(behind({ across: '300', high: '300', behind: '300', tall: '300' })).toMatchObject({ wideMm: 300 });
    expect(behind({ across: '300', high: '300', behind: '300.1' })).toBe('behind');
    expect(behind({ across: '60', behind: '60' })).toMatchObject({ behind: { isRound: true, wideMm: 60 } });
    expect(behind({ across: '60', behind: '60.1' })).toBe('behind');
    expect(behind({ across: '50', behind: '30', tall: '40' })).toMatchObject({ behind: { isRound: false } });
    expect(behind({ across: '50', behind: '30', tall: '40.1' })).toBe('behind');
    expect(behind({ across: '50', high: '40', behind: '50', tall: '40' })).toMatchObject({ highMm: 40 });
    expect(behind({ across: '50', high: '40', behind: '50', tall: '40.1' })).toBe('behind');
    expect(behind({ across: '50', high: '40', behind: '50.1', tall: '40' })).toBe('behind');
  });
  it('nothing behind it is nothing, one measure stands for both', () => {
    expect(behind({ across: '60' })).toEqual({
      isRound: true,
      wideMm: 60,
      highMm: 60,
      wallMm: 1.5,
      deepMm: 20,
      behind: { isRound: true, wideMm: 0, highMm: 0 },
    });
    expect(behind({ across: '60', tall: '20' })).toMatchObject({
      behind: { isRound: false, wideMm: 20, highMm: 20 },
    });
    expect(behind({ across: '60', behind: '0', tall: '0 mm' })).toMatchObject({ behind: { wideMm: 0 } });
  });
  it.each([
    [{ deep: '20' }, 'across', '62 mm or 2 1/2 in'],
    [{ across: '60' }, 'deep', '12 mm or 1/2 in'],
  ])('%j: %s is needed', (asked, path, like) => {
    const cover = readCover(asked);
    expect(cover).toMatchObject({ ok: false, problems: [{ code: 'box.measure', path }] });
    expect(cover.ok ? '' : cover.problems[0]?.says).toContain(like);
  });
});

describe('the roomiest place of two wires in a cover', () => {
  const LAMP = leadNamed('continuity-lamp').assembly;
  /** The least that two holes leave, by hand: to the rim, to what stands behind, to each other. */
  function least(
    [x1 = 0, y1 = 0, x2 = 0, y2 = 0]: readonly number[],
    of: { wide: number; high?: number; behind?: number; tall?: number },
    r: number,
  ): number {
    const each = (x: number, y: number) => {
      const rim =
        of.high === undefined
          ? of.wide / 2 - Math.sqrt(x * x + y * y)
          : Math.min(of.wide / 2 - Math.abs(x), of.high / 2 - Math.abs(y));
      if (of.behind === undefined) return rim - r;
      if (of.tall === undefined) return Math.min(rim, Math.sqrt(x * x + y * y) - of.behind / 2) - r;
      const [dx, dy] = [Math.abs(x) - of.behind / 2, Math.abs(y) - of.tall / 2];
      const off = dx > 0 && dy > 0 ? Math.sqrt(dx * dx + dy * dy) : dx > dy ? dx : dy;
      return Math.min(rim, off) - r;
    };
    return Math.min(each(x1, y1), each(x2, y2), Math.sqrt((x1 - x2) ** 2 + (y1 - y2) ** 2) - 2 * r);
  }

  it.each([
    [{ wide: 40 }],
    [{ wide: 60, behind: 34 }],
    [{ wide: 70, behind: 30, tall: 44 }],
    [{ wide: 80, high: 30, behind: 40, tall: 20 }],
    [{ wide: 50, high: 70, behind: 40, tall: 30 }],
  ] as const)('%j: none of a grid side by side or one over the other is roomier', (of) => {
    const mm = (value?: number) => (value === undefined ? undefined : `${value} mm`);
    const asked = of as { wide: number; high?: number; behind?: number; tall?: number };
    const cover = readCover({
      across: mm(asked.wide),
      high: mm(asked.high),
      deep: '30 mm',
      behind: mm(asked.behind),
      tall: mm(asked.tall),
    });
    if (!cover.ok) throw new Error(cover.problems[0]?.says);
    const made = coverDrilling(LAMP, cover.value);
    if (!made.ok) throw new Error(made.problems[0]?.says);
    const { holes, clearances, turnMm } = made.value;
    const [one, other] = holes;
    const r = one.holeMm / 2;
    const at = least([one.x, one.y, other.x, other.y], asked, r);
    expect(clearances[0]?.mm).toBeCloseTo(at, 9);
    expect(turnMm).toBe(2 * one.holeMm);
    let best = 0;
    for (let off = 0; off <= 40; off += 0.5)
      for (let apart = 0; apart <= 13; apart += 0.5)
        best = Math.max(
          best,
          least([-apart / 2, off, apart / 2, off], asked, r),
          least([off, -apart / 2, off, apart / 2], asked, r),
        );
    expect(Math.min(5, at)).toBeCloseTo(Math.min(5, best), 9);
  });
});
