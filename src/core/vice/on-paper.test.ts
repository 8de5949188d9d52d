import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { drillingOf } from '../drilling';
import type { Mark, Sheet } from '../drawing';
import { kitSheet } from '../kit';
import { schoolsOf, type Lead } from '../lead';
import { leadSignal } from '../signal';
import { heading, writing } from './bands';
import { drillPages } from './drill-pages';
import { strippedEnds } from './gauges';
import { kitPages } from './kit-pages';
import { sayClearances } from './say-drilling';

/** What is written, lines that were broken put together again: those after the first begin 4 mm further in. */
function rows(sheets: readonly Sheet[]): readonly string[] {
  const all: string[] = [];
  let left = 0;
  for (const { lines } of sheets)
    for (const { text, x } of lines)
      if (all.length > 0 && Math.abs(x - left - 4) < 1e-6) all[all.length - 1] = `${all.at(-1)} ${text}`;
      else {
        all.push(text);
        left = x;
      }
  return all;
}
const marks = (sheets: readonly Sheet[], key: string): readonly Mark[] =>
  sheets
    .flatMap(({ pictures }) => pictures)
    .flatMap(({ things }) => things)
    .filter((thing) => thing.key === key)
    .flatMap((thing) => thing.marks);

describe('writing on paper', () => {
  it('62 letters go on 100 mm, lines of 4.3 mm, those after the first 4 mm further in', () => {
    const word = 'a'.repeat(20);
    // 20 + 1 + 20 + 1 + 20 is 62.
    const three = writing(`${word} ${word} ${word} ${word}`, 100);
    expect(three).toEqual({
      height: 2 * 4.3 + 0.6,
      pictures: [],
      lines: [
        { text: `${word} ${word} ${word}`, x: 0, y: 3, size: 3 },
        { text: word, x: 4, y: 7.3, size: 3 },
      ],
    });
    expect(writing(`${word} ${word} ${word}`, 99).lines).toHaveLength(2);
    // Two millimetres further in is two millimetres less.
    expect(writing(`${word} ${word} ${word}`, 102, 2, true).lines).toEqual([
      { text: `${word} ${word} ${word}`, x: 2, y: 3, size: 3, bold: true },
    ]);
    expect(writing(`${word} ${word} ${word}`, 101, 2).lines.map(({ x }) => x)).toEqual([2, 6]);
  });
  it('a heading is of 4.4 mm, on twice its height', () =>
    expect(heading('Cut')).toEqual({
      height: 8.8,
      pictures: [],
      lines: [{ text: 'Cut', x: 0, y: expect.closeTo(6.6, 9), size: 4.4, bold: true }],
    }));
});

describe('a box on paper', () => {
  const lead = leadNamed('volume-box');
  const made = drillingOf(lead.assembly, { lengthMm: 110, widthMm: 60, depthMm: 30, wallMm: 2, bossMm: 6 });
  if (!made.ok) throw new Error(made.problems[0]?.says);
  const drilling = made.value;
  const sheets = (nub: 'hole' | 'ground-off', more: Partial<Lead> = {}) =>
    drillPages({ ...lead, ...more, schools: { ...schoolsOf(lead), 'locating-nub': nub } } as Lead, drilling);
  const of = (key: string) => {
    const [first, ...others] = marks(sheets('hole'), key);
    return [first, ...others].map((mark) =>
      mark?.is === 'disc'
        ? ['disc', mark.r]
        : mark?.is === 'box'
          ? ['box', mark.width, mark.height]
          : mark?.is === 'line'
            ? ['line', ...mark.points.map(({ x, y }) => [x, y])]
            : [],
    );
  };

  it('says where each hole is from the outer edges, and how large; by hand', () => {
    const said = rows(sheets('ground-off'));
    for (const row of [
      'A box of 110 mm × 60 mm × 30 mm inside, wall 2 mm. Measure the bar below first: a print that is not true spoils the box.',
      'The left end, seen from outside; the front is up',
      'The front, seen from outside',
      // In the middle of 60 × 30 and of 110 × 60, and 2 mm of wall.
      'A, 6.35 mm TRS panel socket: hole 9.5 mm; middle 32 mm from the left edge, 17 mm from the edge at the front',
      'B, 6.35 mm TRS panel socket: hole 9.5 mm; middle 32 mm from the left edge, 17 mm from the edge at the front',
      'RV1, control of 2 gangs: hole 7 mm; middle 57 mm from the left edge, 32 mm from the upper edge; its nub is ground off',
      'The thread of each of the 2 sockets has to reach through 2 mm of wall, a washer and its nut.',
    ])
      expect(said).toContain(row);
    expect(rows(sheets('hole')).find((row) => row.startsWith('RV1, '))).toMatch(
      /; hole 3 mm for its nub 7\.8 mm to the left$/,
    );
  });

  it('draws each face and hole at its size, each hole on its own face', () => {
    const wide = (key: string) => of(key).filter(([is]) => is === 'box');
    expect(wide('left end')).toEqual([
      ['box', 64, 34],
      ['box', 60, 30],
    ]);
    expect(wide('front')).toEqual([
      ['box', 114, 64],
      ['box', 110, 60],
    ]);
    expect(of('A').filter(([is]) => is === 'disc')).toEqual([['disc', 4.75]]);
    expect(of('RV1').filter(([is]) => is === 'disc')).toEqual([
      ['disc', 3.5],
      ['disc', 1.5],
    ]);
    const pages = sheets('hole');
    for (const [key, face] of [
      ['A', 'left end'],
      ['B', 'right end'],
      ['RV1', 'front'],
    ] as const) {
      const [hole] = marks(pages, key);
      const [edge] = marks(pages, face);
      if (hole?.is !== 'disc' || edge?.is !== 'box') throw new Error('nothing is drawn');
      // Each in the middle of its face.
      expect([hole.at.x, hole.at.y]).toEqual([expect.closeTo(edge.at.x, 9), expect.closeTo(edge.at.y, 9)]);
      const arms = marks(pages, key).flatMap((mark) => (mark.is === 'line' ? [mark.points] : []));
      const r = hole.r + 3;
      expect(arms[0]?.map(({ x, y }) => [x - hole.at.x, y - hole.at.y])).toEqual([
        [expect.closeTo(-r, 9), expect.closeTo(0, 9)],
        [expect.closeTo(r, 9), expect.closeTo(0, 9)],
      ]);
      expect(arms[1]?.map(({ x, y }) => [x - hole.at.x, y - hole.at.y])).toEqual([
        [expect.closeTo(0, 9), expect.closeTo(-r, 9)],
        [expect.closeTo(0, 9), expect.closeTo(r, 9)],
      ]);
    }
    const [, nub] = marks(pages, 'RV1').filter((mark) => mark.is === 'disc');
    const [knob] = marks(pages, 'RV1');
    expect((knob?.is === 'disc' ? knob.at.x : 0) - (nub?.is === 'disc' ? nub.at.x : 0)).toBeCloseTo(7.8, 9);
  });

  it('says what stands behind and the four least clearances, to a tenth', () => {
    const said = sayClearances(drilling, 'metric');
    expect(said.slice(0, 3)).toEqual([
      'A: 14 mm wide and 26 mm deep behind the wall.',
      'B: 14 mm wide and 26 mm deep behind the wall.',
      'RV1: 17 mm wide and 20 mm deep behind the wall.',
    ]);
    expect(said.slice(3)).toEqual(
      drilling.clearances
        .slice(0, 4)
        .map(({ a, b, mm }) => `From ${a} to ${b}: ${Math.round(mm * 10) / 10} mm.`),
    );
    expect(said).toHaveLength(7);
  });

  it('has a scale of 300°: eleven ticks, at each what arrives by the circuit', () => {
    const pages = sheets('hole');
    const lines = marks(pages, 'dial').flatMap((mark) => (mark.is === 'line' ? [mark.points] : []));
    expect(lines).toHaveLength(13);
    const [across] = lines.slice(11);
    const middle = { x: ((across?.[0]?.x ?? 0) + (across?.[1]?.x ?? 0)) / 2, y: across?.[0]?.y ?? 0 };
    lines.slice(0, 11).forEach(([inner, outer], n) => {
      const angle = ((30 * n - 150) * Math.PI) / 180;
      for (const [point, r] of [
        [inner, 11],
        [outer, 13.4],
      ] as const) {
        expect((point?.x ?? 0) - middle.x).toBeCloseTo(r * Math.sin(angle), 9);
        expect((point?.y ?? 0) - middle.y).toBeCloseTo(-r * Math.cos(angle), 9);
      }
    });
    const [use] = lead.situations;
    const signal = use && leadSignal(lead.assembly, use, { ranges: false });
    const level = signal?.ok
      ? signal.value.charts.find(({ name }) => name === 'Level against turn')
      : undefined;
    const figures = pages.flatMap((page) => page.lines).filter(({ size }) => size === 2.6);
    expect(figures).toHaveLength(11);
    figures.forEach(({ text, x, y }, n) => {
      const db = level?.series[0]?.points.find(([turn]) => Math.abs(turn - 10 * n) < 1e-6)?.[1] ?? -Infinity;
      expect(text).toBe(Number.isFinite(db) ? `${n}: ${db.toFixed(0).replace('-', '−')}` : `${n}`);
      // Beside its tick: what stands to the left ends there, what stands to the right begins there.
      const angle = ((30 * n - 150) * Math.PI) / 180;
      const wide = text.length * 2.6 * 0.54;
      const at = x - middle.x + (n === 5 ? wide / 2 : n < 5 ? wide : 0);
      expect(at).toBeCloseTo(15 * Math.sin(angle), 9);
      expect(y - middle.y - 2.6 / 3).toBeCloseTo(-15 * Math.cos(angle), 9);
    });
    expect(figures.filter(({ text }) => /: /.test(text)).length).toBeGreaterThan(8);
  });
});

describe('a kit on paper', () => {
  it.each(['stage-microphone', 'stereo-microphone-fan-out', 'stereo-sum', 'loudspeaker-two-pole'])(
    '%s: everything of the kit stands there, each with its box and its figure',
    (name) => {
      const lead = leadNamed(name);
      const sheet = kitSheet([{ lead, count: 3 }]);
      const said = rows(kitPages(lead, sheet));
      const text = said.join('\n').replace(/\s+/g, ' ');
      const has = (row: string) => expect(text).toContain(row.replace(/\s+/g, ' '));
      has(`${lead.name}: kit for 3`);
      for (const { count, what, detail, owned } of sheet.items)
        has(`[ ] ${count} × ${what}${owned ? ' (have)' : ''}: ${detail}`);
      const metric = (mm: number) =>
        Math.abs(mm) >= 1000 ? `${Number((mm / 1000).toFixed(3))} m` : `${Number(mm.toFixed(1))} mm`;
      for (const { count, total, span, allowances } of sheet.cuts) {
        has(`[ ] ${count} × ${metric(total)}, ${span}: `);
        for (const { what, mm } of allowances) has(`${mm < 0 ? '−' : '+'} ${metric(Math.abs(mm))} ${what}`);
      }
      for (const { set, what } of sheet.tools) has(set === undefined ? `[ ] ${what}` : `[ ] ${what}: ${set}`);
      for (const { says } of strippedEnds(lead)) has(says);
      const heads = ['Lay out', 'Cut', 'Strip: lay the raw end on the line at the left', 'Tools'];
      for (const head of heads) expect(said).toContain(head);
      expect(said.includes('Mind')).toBe(sheet.fits.some(({ verdict }) => verdict !== 'fits'));
      for (const { verdict, says, has: there, takes } of sheet.fits)
        if (verdict !== 'fits') has(`${says}: ${there}; takes ${takes}.`);
    },
  );

  it('of one it says no number', () => {
    const lead = leadNamed('stage-microphone');
    expect(rows(kitPages(lead, kitSheet([{ lead, count: 1 }])))[0]).toBe(`${lead.name}: kit`);
  });

  it('each end is named, and its cable where it has several; of many pairs alike one is drawn', () => {
    const ends = (name: string) => strippedEnds(leadNamed(name)).map(({ says }) => says.replace(/:.*/, ''));
    expect(ends('stage-microphone')).toEqual(['End A', 'End B']);
    expect(ends('two-way-split').some((says) => /^End \w, W\d$/.test(says))).toBe(true);
    const of = (name: string) => strippedEnds(leadNamed(name))[0];
    const loom = of('d25-to-eight-xlr');
    expect(loom?.strip.conductors.length).toBeGreaterThan(10);
    const drawn =
      loom?.picture.things.filter(({ is }) => ['core', 'screen', 'drain'].includes(is)).length ?? 0;
    expect(drawn).toBeGreaterThan(1);
    expect(drawn).toBeLessThan(6);
  });
});
