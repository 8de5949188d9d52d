import { expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { coverDrilling, drillingOf, readCover } from '../drilling';
import { schoolsOf } from '../lead';
import { coverPages } from './cover-pages';
import { drillPages } from './drill-pages';

it('a nub has its hole on the sheet, or is ground off and has none', () => {
  const box = leadNamed('volume-box');
  const drilled = drillingOf(box.assembly, {
    lengthMm: 110,
    widthMm: 60,
    depthMm: 30,
    wallMm: 2,
    bossMm: 6,
  });
  if (!drilled.ok) throw new Error(drilled.problems[0]?.says);
  const sheet = (nub: 'hole' | 'ground-off') => {
    const pages = drillPages({ ...box, schools: { ...schoolsOf(box), 'locating-nub': nub } }, drilled.value);
    return {
      says: pages.flatMap(({ lines }) => lines.map(({ text }) => text)).join(' '),
      discs: JSON.stringify(pages).split('"disc"').length,
    };
  };
  const [holed, ground] = [sheet('hole'), sheet('ground-off')];
  expect(holed.says).toContain('hole 3 mm for its nub 7.8 mm to the left');
  expect(ground.says).toContain('its nub is ground off');
  expect(ground.says).not.toContain('for its nub');
  expect(holed.discs - ground.discs).toBe(1);
});

it('the cover of a lamp at true size: its circles as large as they were measured, its holes where the words say they are', () => {
  const lamp = leadNamed('continuity-lamp');
  const cover = readCover({ across: '62 mm', rim: '2 mm', deep: '12 mm', behind: '44 mm' });
  const drilled = cover.ok ? coverDrilling(lamp.assembly, cover.value) : expect.fail();
  if (!drilled.ok) throw new Error(drilled.problems[0]?.says);
  const pages = coverPages(lamp, drilled.value);
  expect(pages).toHaveLength(1);
  const discs = pages.flatMap(({ pictures = [] }) =>
    pictures.flatMap(({ things }) =>
      things.flatMap(({ key, marks }) =>
        marks.flatMap((mark) => (mark.is === 'disc' ? [{ key, ...mark }] : [])),
      ),
    ),
  );
  const sizes = (key: string) => discs.filter((each) => each.key === key).map(({ r }) => 2 * r);
  // Twice each: from outside, and from inside.
  expect(sizes('cover').sort()).toEqual([62, 62, 66, 66]);
  expect(sizes('behind')).toEqual([44, 44]);
  expect(sizes('red')).toEqual([3, 3]);
  const [middle, , behindIt] = discs.filter(({ key }) => key === 'cover');
  const [red, redWithin] = discs.filter(({ key }) => key === 'red');
  if (!middle || !red || !behindIt || !redWithin) throw new Error('nothing is drawn');
  const says = pages.flatMap(({ lines }) => lines.map(({ text }) => text)).join(' ');
  const read =
    /The red wire: hole 3 mm, ([\d.]+) mm to the left of the middle and ([\d.]+) mm below it\./.exec(says);
  expect(middle.at.x - red.at.x).toBeCloseTo(Number(read?.[1]), 1);
  expect(red.at.y - middle.at.y).toBeCloseTo(Number(read?.[2]), 1);
  expect(says).toContain(
    `The red wire: hole 3 mm, ${read?.[1]} mm to the right of the middle and ${read?.[2]} mm below it.`,
  );
  // From inside it stands on the other side, as high; its name beside it, off both crosses.
  expect(redWithin.at.x - behindIt.at.x).toBeCloseTo(middle.at.x - red.at.x, 6);
  expect(redWithin.at.y - behindIt.at.y).toBeCloseTo(red.at.y - middle.at.y, 6);
  const names = pages.flatMap(({ lines }) => lines.filter(({ text }) => text === 'red').map(({ x }) => x));
  expect(names).toHaveLength(2);
  expect(names[0]).toBeLessThan(red.at.x - 1.5 - 3 - 3 * 0.54 * 2.6);
  expect(names[1]).toBeGreaterThan(redWithin.at.x + 1.5 + 3);
  // Outwards by its letters, half its hole, the arm of its cross and a gap; in the middle of its height.
  const [outside, inside] = pages.flatMap(({ lines }) => lines.filter(({ text }) => text === 'red'));
  const [ARM, AWAY, TYPE] = [3, 0.8, 2.6];
  expect(outside?.x).toBeCloseTo(red.at.x - 1.5 - ARM - AWAY - 3 * TYPE * 0.54, 6);
  expect(inside?.x).toBeCloseTo(redWithin.at.x + 1.5 + ARM + AWAY, 6);
  expect([outside?.y, inside?.y]).toEqual(
    [red, redWithin].map(({ at }) => expect.closeTo(at.y + TYPE / 3, 6) as number),
  );
  expect(says).toContain(
    'Behind the cover a wire turns off within 6 mm, no tighter than its own width: there are 12 mm.',
  );
  expect(says).toContain(
    'A round cover, 62 mm across inside its rim of 2 mm, 12 mm deep; behind its middle 44 mm across are taken.',
  );
});
