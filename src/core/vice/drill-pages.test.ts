import { expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { drillingOf } from '../drilling';
import { schoolsOf } from '../lead';
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
