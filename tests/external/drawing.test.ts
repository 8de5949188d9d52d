import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { PNG } from 'pngjs';
import { afterAll, describe, expect, it } from 'vitest';
import { INSULATION, isDark, LETTERING, SMALLEST, type Sheet } from '../../src/core/drawing';
import { svgOf } from '../../src/core/formats';
import type { Lead } from '../../src/core/lead';
import { kitSheet } from '../../src/core/kit';
import { cardPages, kitPages, patchPages, sheetsOf } from '../../src/core/vice';
import type { PatchRow } from '../../src/core/sweep';
import { pdfOf } from '../../src/server/print';
import { EXAMPLES, leadOf } from '../examples/read';
import { colourAt, readPaper } from '../support/paper';

const folder = mkdtempSync(path.join(tmpdir(), 'antler-drawn-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const leads: readonly (readonly [string, Lead])[] = EXAMPLES.map(
  (example) => [example.id, leadOf(example)] as const,
);
const sheets = (lead: Lead, options = {}): readonly Sheet[] => {
  const made = sheetsOf(lead, options);
  return made.ok ? made.value : expect.fail(made.problems[0]?.says);
};

/** Pixels to a millimetre. */
const SCALE = 10;

/** A picture in another program’s eyes. */
function rendered(svg: string): PNG {
  const file = path.join(folder, 'drawn.svg');
  writeFileSync(file, svg);
  // What it is told in dots an inch makes millimetres of the file so many pixels.
  const dpi = `${SCALE * 25.4}`;
  const png = execFileSync('/usr/bin/rsvg-convert', ['--dpi-x', dpi, '--dpi-y', dpi, file], {
    maxBuffer: 1 << 28,
  });
  return PNG.sync.read(png);
}

const rgb = (hex: string): readonly number[] =>
  [1, 3, 5].map((n) => Number.parseInt(hex.slice(n, n + 2), 16));
const isLike = (a: readonly number[], b: readonly number[]): boolean =>
  a.every((value, n) => Math.abs(value - (b[n] ?? 0)) <= 12);

/** Every fifth in the ordinary run, all of them in the long one. */
const some = leads.filter((_, n) => process.env['ANTLER_TEST_LONG'] === '1' || n % 5 === 0);

describe('drawings in another program’s eyes (rsvg-convert)', () => {
  it('hold nothing that only a browser understands', () => {
    for (const [id, lead] of leads)
      for (const sheet of sheets(lead)) {
        const svg = svgOf(sheet);
        expect(svg, id).not.toMatch(/var\(|style=|class=|foreignObject|href|NaN|undefined|<script/);
      }
  });

  it.each(some)(
    '%s is as large as it says, and every core has its colour and its letters on it',
    (_, lead) => {
      const [sheet] = sheets(lead);
      if (!sheet) return expect.fail();
      const png = rendered(svgOf(sheet));
      expect(png.width / SCALE).toBeCloseTo(sheet.frame.width, 0);
      expect(png.height / SCALE).toBeCloseTo(sheet.frame.height, 0);
      for (const { labels } of sheet.pictures)
        for (const { on, at, size, text } of labels) {
          if (on === undefined) continue;
          const [x, y] = [(at.x - sheet.frame.x) * SCALE, (at.y - sheet.frame.y) * SCALE];
          // Just over the letters there is insulation in its colour; across the letters both it and theirs are found.
          expect(isLike(colourAt(png, x, y - size * 0.5 * SCALE), rgb(INSULATION[on])), text).toBe(true);
          const across = Array.from({ length: 41 }, (_each, n) =>
            colourAt(png, x + ((n - 20) / 20) * size * 0.6 * SCALE, y),
          );
          const letters = rgb(LETTERING[isDark(on) ? 'light' : 'dark']);
          expect(
            across.some((colour) => isLike(colour, letters)),
            `${text} is read`,
          ).toBe(true);
        }
    },
  );
});

describe('drawings on paper (pdftotext, pdftoppm)', () => {
  it.each([
    ['a4', 210, 297],
    ['letter', 215.9, 279.4],
  ] as const)(
    'on %s the page has its size, the bar is 100 mm long and the type 2 mm high and more',
    async (page, width, height) => {
      const lead = leads.find(([id]) => id === 'd25-to-eight-xlr')?.[1] ?? expect.fail();
      const made = sheets(lead, { page });
      const found = readPaper(await pdfOf(made, lead.name));
      expect(found.width).toBeCloseTo(width, 1);
      expect(found.height).toBeCloseTo(height, 1);
      // The box of a word is as high as its typeface, which is more than the size that it is set in.
      for (const { text, height: high } of found.words) expect(high, text).toBeGreaterThanOrEqual(SMALLEST);
      const wanted = made.flatMap(({ pictures }) =>
        pictures.flatMap(({ labels }) => labels.map(({ text }) => text)),
      );
      const texts = found.words.map(({ text }) => text);
      for (const text of wanted) expect(texts, text).toContain(text);

      const png = found.printed();
      const y = Math.round((made[0]?.bar?.y ?? 0) * 10);
      const dark = Array.from({ length: png.width }, (_, x) => x).filter(
        (x) => (colourAt(png, x, y)[0] ?? 255) < 128,
      );
      const long = ((dark.at(-1) ?? 0) - (dark[0] ?? 0) + 1) / 10;
      expect(long).toBeGreaterThan(99.7);
      expect(long).toBeLessThan(100.7);
      // Unbroken from its one end to the other.
      expect(dark.length / 10).toBeGreaterThan(99.7);
    },
  );

  it('a true-size insert is as wide on paper as it is: 8 mm from the middle to the inside of the ring (XLR, nominal)', async () => {
    const lead = leads.find(([id]) => id === 'stage-microphone')?.[1] ?? expect.fail();
    const made = sheets(lead, { page: 'a4', end: 'A' });
    const found = readPaper(await pdfOf(made, lead.name));
    const png = found.printed();
    const ring = made[0]?.pictures[0]?.things.find(({ is }) => is === 'insert')?.marks[0];
    if (ring?.is !== 'disc') return expect.fail('no ring');
    // From above through the middle of the insert: the ring is met at the bottom where nothing lies over it.
    const steel = rgb('#8a857b');
    const column = Array.from({ length: png.height }, (_, y) => y).filter((y) =>
      isLike(colourAt(png, ring.at.x * 10, y), steel),
    );
    const bottom = column.filter((y) => Math.abs(y / 10 - ring.at.y - 9) < 1.5);
    expect(Math.abs(((bottom[0] ?? 0) + (bottom.at(-1) ?? 0)) / 20 - ring.at.y - 8.9)).toBeLessThan(0.1);
  });

  it('a strip gauge is true on paper: of a sum’s XLR the jacket’s edge lies 38 mm from the line of the raw end', async () => {
    const lead = leads.find(([id]) => id === 'stereo-sum')?.[1] ?? expect.fail();
    const made = kitPages(lead, kitSheet([{ lead, count: 1 }]));
    const found = readPaper(await pdfOf(made, lead.name));
    expect(made).toHaveLength(1);
    const png = found.printed();
    const gauges = made[0]?.pictures ?? [];
    const edges = gauges.map((picture) => {
      const jacket = picture.things.find(({ is }) => is === 'jacket')?.marks[0];
      if (jacket?.is !== 'box') return expect.fail('no jacket');
      // Along a line below all wires, where only the line of the raw end and the jacket are.
      const y = (jacket.at.y + jacket.height / 2 - 0.35) * 10;
      const dark = Array.from({ length: png.width }, (_, x) => x).filter(
        (x) => (colourAt(png, x, y)[0] ?? 255) < 100,
      );
      const gap = dark.findIndex((x, n) => n > 0 && x - (dark[n - 1] ?? 0) > 20);
      return ((dark[gap] ?? 0) - ((dark[0] ?? 0) + (dark[gap - 1] ?? 0)) / 2) / 10;
    });
    expect(edges).toHaveLength(2);
    expect(Math.abs((edges[0] ?? 0) - 10)).toBeLessThan(0.3);
    expect(Math.abs((edges[1] ?? 0) - 38)).toBeLessThan(0.3);
    const texts = found.words.map(({ text }) => text);
    // What the typeface has no sign for is written out.
    for (const text of ['470', 'ohm,', '2.004', '1.2/0.6']) expect(texts, text).toContain(text);
    expect(texts.join(' ')).toContain('Iron for 3.5 mm tabs');
  });

  it.each(['a4', 'letter'] as const)(
    'a patch list of 24 ways on %s: one page, way by way, large enough for a stage, what is struck is struck through',
    async (paper) => {
      const rows = Array.from({ length: 24 }, (_, n): PatchRow => ({
        way: n + 1,
        state: n === 8 ? 'bad' : 'good',
        ...(n === 8 ? {} : { input: `Input${n + 1}` }),
        note: n === 8 ? 'none lit' : '',
      }));
      const pages = patchPages({ title: 'Hall', swept: 'tonight', rows, moves: [], repairs: [] }, paper);
      expect(pages).toHaveLength(1);
      const found = readPaper(await pdfOf(pages, 'Hall'));
      // From the top down: in what order they are read out is that program’s own.
      const named = found.words.filter(({ text }) => /^Input\d+$/.test(text)).sort((a, b) => a.top - b.top);
      expect(named.map(({ text }) => Number(text.slice(5)))).toEqual(
        rows.flatMap(({ way, input }) => (input === undefined ? [] : [way])),
      );
      // Type of 6 mm: its box is a little higher. Nothing runs out of the page.
      for (const { text, height, right } of named) {
        expect(height, text).toBeGreaterThan(6);
        expect(right, text).toBeLessThan(found.width - 10);
      }
      const png = found.printed();
      /** Whether a thick dark line goes across the page between two heights, mm, right of the way and left of what is said of it. */
      const isStruck = (from: number, to: number): boolean => {
        for (let y = Math.round(from * 10); y < to * 10; y++) {
          let dark = 0;
          for (let x = 700; x < 1100; x++) if ((colourAt(png, x, y)[0] ?? 255) < 90) dark++;
          if (dark > 390) return true;
        }
        return false;
      };
      const [eighth, tenth] = [named[7]?.top ?? 0, named[8]?.top ?? 0];
      expect(tenth - eighth).toBeCloseTo(18, 0);
      expect(isStruck(eighth + 9, tenth)).toBe(true);
      expect(isStruck(tenth, tenth + 7)).toBe(false);
    },
  );

  it.each(['a4', 'letter'] as const)(
    'a card is written inside its edge, on one page of %s',
    async (paper) => {
      for (const name of ['tell-tale', 'test-tail']) {
        const lead = leads.find(([id]) => id === name)?.[1] ?? expect.fail();
        const made = cardPages(lead, paper);
        const pages = made.ok ? made.value : expect.fail(name);
        expect(pages).toHaveLength(1);
        const edge = pages[0]?.pictures[0]?.frame ?? expect.fail('no edge');
        const { words } = readPaper(await pdfOf(pages, name));
        expect(words.length).toBeGreaterThan(25);
        // The head stands over the card: everything on it is as narrow.
        for (const { text, right } of words) expect(right, text).toBeLessThan(edge.x + edge.width - 2);
      }
    },
  );

  it('the kit of eight channels goes on over pages, each with its bar, and nothing leaves the paper', async () => {
    const lead = leads.find(([id]) => id === 'd25-to-eight-xlr')?.[1] ?? expect.fail();
    const made = kitPages(lead, kitSheet([{ lead, count: 2, pairs: true }]), 'letter');
    expect(made.length).toBeGreaterThan(1);
    for (const sheet of made) {
      expect(sheet.bar).toBeDefined();
      for (const { x, y } of sheet.lines) {
        expect(x).toBeGreaterThan(5);
        expect(y).toBeLessThan(279.4 - 5);
      }
      for (const { frame } of sheet.pictures) expect(frame.x + frame.width).toBeLessThan(215.9);
    }
    const { words } = readPaper(await pdfOf(made, lead.name));
    for (const { text, right } of words) expect(right, text).toBeLessThan(215.9 - 2);
  });
});
