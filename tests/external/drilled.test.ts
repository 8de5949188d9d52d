import type { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { coverDrilling, drillingOf, readCover } from '../../src/core/drilling';
import { coverPages, drillPages } from '../../src/core/vice';
import { pdfOf } from '../../src/server/print';
import { leadNamed } from '../examples/read';
import { colourAt, readPaper } from '../support/paper';

/** Where lines are met along a row or a column of a print, mm: the middle of each. */
function met(png: PNG, from: number, to: number, at: (along: number) => readonly [number, number]) {
  const dark: number[] = [];
  for (let along = Math.round(from * 10); along <= to * 10; along++)
    if ((colourAt(png, ...at(along))[0] ?? 255) < 190) dark.push(along);
  const lines: number[][] = [];
  for (const each of dark) {
    if (each - (lines.at(-1)?.at(-1) ?? -9) > 1) lines.push([]);
    lines.at(-1)?.push(each);
  }
  return lines.map((line) => ((line[0] ?? 0) + (line.at(-1) ?? 0)) / 20);
}

interface Frame {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
const across = (png: PNG, frame: Frame, y: number): readonly number[] =>
  met(png, frame.x, frame.x + frame.width, (x) => [x, Math.round(y * 10)]);
const down = (png: PNG, frame: Frame, x: number): readonly number[] =>
  met(png, frame.y, frame.y + frame.height, (y) => [Math.round(x * 10), y]);

/** Lines are where they are wanted, from the first of them, to 0.2 mm. */
function near(found: readonly number[], wanted: readonly number[], what: string): void {
  const from = found[0] ?? 0;
  expect(
    found.map((each) => Math.round((each - from) * 10) / 10),
    what,
  ).toHaveLength(wanted.length);
  found.forEach((each, n) =>
    expect(Math.abs(each - from - (wanted[n] ?? 0)), `${what} ${n}`).toBeLessThan(0.2),
  );
}
/** Half of what a circle of this radius measures 1 mm off its middle. */
const half = (r: number): number => Math.sqrt(r * r - 1);

describe('drilling sheets on paper (pdftotext, pdftoppm)', () => {
  it('a drilling sheet is true on paper: middles, holes and edges of a volume box, measured in its print', async () => {
    const lead = leadNamed('volume-box');
    const box = { lengthMm: 110, widthMm: 60, depthMm: 30, wallMm: 2, bossMm: 6 };
    const made = drillingOf(lead.assembly, box);
    const pages = drillPages(lead, made.ok ? made.value : expect.fail(made.problems[0]?.says));
    const found = readPaper(await pdfOf(pages, lead.name));
    const png = found.printed();
    const [left, , front] = pages[0]?.pictures.map(({ frame }) => frame) ?? [];
    if (!left || !front) return expect.fail('no faces');
    // The front: 114 mm outside, walls of 2; the control in its middle, 7 mm, its nub of 3 mm 7.8 mm to the left. Seen along a line 1 mm above
    // the middle, where the nub’s circle and the hole’s are chords.
    const middle = 57;
    near(
      across(png, front, front.y + front.height / 2 - 1),
      [
        0,
        2,
        middle - 7.8 - half(1.5),
        middle - 7.8 + half(1.5),
        middle - half(3.5),
        middle,
        middle + half(3.5),
        112,
        114,
      ],
      'front, across',
    );
    near(
      down(png, front, front.x + front.width / 2 + 1),
      [0, 2, 32 - half(3.5), 32, 32 + half(3.5), 62, 64],
      'front, down',
    );
    // An end: 64 by 34 outside, the socket’s 9.5 mm in its middle.
    near(
      across(png, left, left.y + left.height / 2 - 1),
      [0, 2, 32 - half(4.75), 32, 32 + half(4.75), 62, 64],
      'left end, across',
    );
    near(
      down(png, left, left.x + left.width / 2 + 1),
      [0, 2, 17 - half(4.75), 17, 17 + half(4.75), 32, 34],
      'left end, down',
    );
    const texts = found.words.map(({ text }) => text).join(' ');
    for (const text of [
      'The left end, seen from outside; the front is up',
      'middle 57 mm from the left edge, 32 mm from the upper edge',
      'middle 32 mm from the left edge, 17 mm from the edge at the front',
      'this bar is 100 mm long on paper',
    ])
      expect(texts).toContain(text);
  });

  it('the cover of a lamp is true on paper from both sides: its edges, what stands behind it and its holes, measured in its print', async () => {
    const lead = leadNamed('continuity-lamp');
    const cover = readCover({ across: '80', high: '60', rim: '2', deep: '12', behind: '44', tall: '30' });
    const made = coverDrilling(lead.assembly, cover.ok ? cover.value : expect.fail());
    const drilling = made.ok ? made.value : expect.fail(made.problems[0]?.says);
    const pages = coverPages(lead, drilling);
    const found = readPaper(await pdfOf(pages, lead.name));
    const png = found.printed();
    const frames = pages[0]?.pictures.map(({ frame }) => frame) ?? [];
    expect(frames).toHaveLength(2);
    const [red, black] = drilling.holes;
    expect(red.wire).toBe('red');
    for (const [n, frame] of frames.entries()) {
      const side = n === 0 ? 'outside' : 'inside';
      // 84 × 64 outside; from its middle 42 to the left edge. along a line through the holes the rim, what stands behind and the circles are met.
      const middle = { x: frame.x + frame.width / 2, y: frame.y + frame.height / 2 };
      const holes = drilling.holes.map(({ x, y, holeMm }) => ({ x: n === 0 ? x : -x, y, r: holeMm / 2 }));
      const chordsAt = (y: number): readonly number[] =>
        holes.flatMap((hole) => {
          const off = Math.abs(hole.y - y);
          const reach = Math.sqrt(hole.r * hole.r - off * off);
          return off < hole.r ? [hole.x - reach, hole.x, hole.x + reach] : [];
        });
      // Below the letters that stand beside the holes.
      const y = red.y + 1;
      const cells = Math.abs(y) < 15 ? [-22, 22] : [];
      const wanted = [-42, -40, ...cells, ...chordsAt(y), 40, 42].sort((a, b) => a - b);
      near(
        across(png, frame, middle.y + y),
        wanted.map((each) => each + 42),
        `${side}, across`,
      );
    }
    expect(red.x).not.toBe(black.x);
    const texts = found.words.map(({ text }) => text).join(' ');
    for (const text of [
      'The cover, seen from outside',
      'The same seen from inside',
      'this bar is 100 mm long on paper',
    ])
      expect(texts).toContain(text);
  });

  it('the scale of its knob stands at true size: what arrives at 10 is what the circuit says turned up, at 0 nothing', async () => {
    const lead = leadNamed('volume-box');
    const box = { lengthMm: 110, widthMm: 60, depthMm: 30, wallMm: 2, bossMm: 6 };
    const made = drillingOf(lead.assembly, box);
    const lines = made.ok ? drillPages(lead, made.value).flatMap((page) => page.lines) : [];
    const ticks = lines.filter(({ text }) => /^\d+(: [−\d]+)?$/.test(text));
    expect(ticks).toHaveLength(11);
    const figures = ticks.map(({ text }) => Number((text.split(': ')[1] ?? '-Infinity').replace('−', '-')));
    expect(figures[0]).toBe(-Infinity);
    for (let n = 1; n < 11; n++) expect(figures[n] ?? 0).toBeGreaterThanOrEqual(figures[n - 1] ?? 0);
    // By hand: 100 Ω of track and the headphones beside each other, behind the output’s own impedance.
    const ohms = (direction: string): number =>
      lead.situations[0]?.channels.find((each) => each.direction === direction)?.port.impedance ?? NaN;
    const beside = 1 / (1 / 100 + 1 / ohms('receives'));
    expect(figures[10]).toBe(Math.round(20 * Math.log10(beside / (beside + ohms('sends')))));
  });
});
