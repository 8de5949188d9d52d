import { describe, expect, it } from 'vitest';
import type { Label, Mark, Picture, Sheet } from '../drawing';
import { svgOf } from './svg';

const picture = (marks: readonly Mark[], labels: readonly Label[] = [], says = ''): Picture =>
  ({
    things: [{ key: 't', is: 'insert', says, terminals: [], joints: [], marks }],
    labels,
    frame: { x: 0, y: 0, width: 10, height: 10 },
  }) as unknown as Picture;
const sheet = (of: readonly Picture[], more: Partial<Sheet> = {}): readonly string[] =>
  svgOf({ frame: { x: -1, y: 2.5, width: 210, height: 99.12345 }, pictures: of, lines: [], ...more }).split(
    '\n',
  );
const drawn = (mark: Mark): string => sheet([picture([mark])])[2] ?? '';
const label = (more: Partial<Label>): Label => ({
  key: 'l',
  text: 'AB',
  is: 'contact',
  at: { x: 10, y: 20 },
  size: 2,
  terminals: [],
  ...more,
});
const lettered = (more: Partial<Label>): readonly string[] =>
  (sheet([picture([], [label(more)])])[3] ?? '').split(/(?=<)/);

/** One piece of a curve. */
const BEND = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 2, y: 3 },
  { x: 4, y: 5 },
];

describe('a sheet as SVG: each thing typed by hand from the notation (SVG 1.1)', () => {
  it('is as large as it is in millimetres, on white paper', () =>
    expect(sheet([])).toEqual([
      '<svg xmlns="http://www.w3.org/2000/svg" width="210mm" height="99.123mm" viewBox="-1 2.5 210 99.123">',
      '<rect x="-1" y="2.5" width="210" height="99.123" fill="#ffffff"/>',
      '</svg>',
      '',
    ]));

  it.each<[string, Mark]>([
    [
      '<circle cx="0" cy="0" r="0.333" fill="#c02a1d"/>',
      { is: 'disc', at: { x: 0, y: -0.0001 }, r: 1 / 3, fill: 'RD' },
    ],
    [
      '<circle cx="1.5" cy="-2" r="0.333" fill="#c02a1d"/>',
      { is: 'disc', at: { x: 1.5, y: -2 }, r: 1 / 3, fill: 'RD' },
    ],
    [
      '<rect x="8" y="17" width="4" height="6" fill="none" stroke="#201b15" stroke-width="0.25"/>',
      { is: 'box', at: { x: 10, y: 20 }, width: 4, height: 6, stroke: 'ink', thick: 0.25 },
    ],
    [
      '<rect x="8" y="17" width="4" height="6" rx="1.5" fill="#b9b4aa"/>',
      { is: 'box', at: { x: 10, y: 20 }, width: 4, height: 6, round: 1.5, fill: 'metal' },
    ],
    [
      '<path d="M0 0 L1 0 2 3 Z" fill="none"/>',
      {
        is: 'line',
        points: [
          { x: 0, y: 0 },
          { x: 1, y: 0 },
          { x: 2, y: 3 },
        ],
        closed: true,
      },
    ],
    [
      '<path d="M0 0 C1 0 2 3 4 5" fill="none" stroke="#c07236" stroke-width="0.5" stroke-linecap="round"/>',
      {
        is: 'curve',
        points: BEND,
        stroke: 'copper',
        thick: 0.5,
      },
    ],
    [
      '<path d="M0 0 C1 0 2 3 4 5" fill="none" stroke="#9a9a94" stroke-linecap="butt" stroke-dasharray="0.2 0.8"/>',
      {
        is: 'curve',
        points: BEND,
        stroke: 'wire',
        strands: true,
      },
    ],
    ['', { is: 'disc', at: { x: 0, y: 0 }, r: 4, fill: 'RD', unseen: true }],
  ])('%s', (svg, mark) => expect(drawn(mark)).toBe(`<g>${svg}</g>`));

  it('what a thing says is its title, with nothing in it that ends one', () =>
    expect(sheet([picture([], [], 'A & B < "C" > D')])[2]).toBe(
      '<g><title>A &amp; B &lt; &quot;C&quot; &gt; D</title></g>',
    ));

  const LETTERS =
    'font-size="2" font-family="Atkinson Hyperlegible, sans-serif" text-anchor="middle" font-weight="bold"';
  it('a label stands in its middle, its letters a little lower; on insulation in a box of it, its letters light or dark', () => {
    // Two letters of 0.72 and a half, twice as large: 3.88 wide; 1.16 of 2 high.
    expect(lettered({})).toEqual([`<text x="10" y="20.72" ${LETTERS} fill="#201b15">AB`, '</text>']);
    const box = 'x="8.06" y="18.84" width="3.88" height="2.32"';
    expect(lettered({ on: 'BK' })).toEqual([
      `<rect ${box} rx="1" fill="#26231f" stroke="#201b15" stroke-width="0.12"/>`,
      `<text x="10" y="20.72" ${LETTERS} fill="#ffffff">AB`,
      '</text>',
    ]);
    expect(lettered({ on: 'WH' })[1]).toBe(`<text x="10" y="20.72" ${LETTERS} fill="#1c1a17">AB`);
    expect(lettered({ is: 'order' })).toEqual([
      `<rect ${box} rx="0.4" fill="#201b15"/>`,
      `<text x="10" y="20.72" ${LETTERS} fill="#ffffff">AB`,
      '</text>',
    ]);
  });

  it('a leader goes from the label to what it is of', () =>
    expect(
      lettered({
        leader: [
          { x: 1, y: 2 },
          { x: 3, y: 4.5 },
        ],
      })[0],
    ).toBe('<path d="M1 2 L3 4.5" fill="none" stroke="#201b15" stroke-width="0.15"/>'));

  it('lines of writing, and the bar of 100 mm with its ends', () => {
    const written = sheet([], {
      lines: [
        { x: 12, y: 20, size: 4.4, text: 'End A', bold: true },
        { x: 12, y: 26, size: 3.2, text: 'from behind' },
      ],
      bar: { x: 12, y: 280 },
    });
    expect(written.slice(2, 5)).toEqual([
      '<text x="12" y="20" font-size="4.4" font-family="Atkinson Hyperlegible, sans-serif" fill="#201b15" font-weight="bold">End A</text>',
      '<text x="12" y="26" font-size="3.2" font-family="Atkinson Hyperlegible, sans-serif" fill="#201b15">from behind</text>',
      '<path d="M12 280 L112 280 M12 278.5 L12 281.5 M112 278.5 L112 281.5" fill="none" stroke="#201b15" stroke-width="0.3"/>',
    ]);
  });
});
