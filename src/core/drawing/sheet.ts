import { bodyOfEnd, connectorOf, endsOf, type Assembly, type End } from '../assembly';
import { frameRound, type Frame } from './marks';
import { movePicture, type Picture } from './picture';
import type { Point } from './point';

/** A line of writing beside pictures, mm: where it starts, on its base line. */
export interface Line extends Point {
  readonly text: string;
  /** The size of its type. */
  readonly size: number;
  readonly bold?: boolean;
}

/** A page, or a strip as large as what is on it: pictures at their true size, and lines beside them. */
export interface Sheet {
  readonly frame: Frame;
  readonly pictures: readonly Picture[];
  readonly lines: readonly Line[];
  /** A bar of 100 mm from here to the right, to measure the print by. */
  readonly bar?: Point;
}

/** Paper, mm. */
export const PAPERS = { a4: { width: 210, height: 297 }, letter: { width: 215.9, height: 279.4 } } as const;
export type Paper = keyof typeof PAPERS;

/** Off the paper’s edge; between pictures; of a caption and of the head, mm. */
const [EDGE, BETWEEN, CAPTION, HEAD] = [12, 6, 3.2, 4.4];
/** Nothing on paper is set smaller, mm. */
export const SMALLEST = 2;

/** A picture with what stands under it. */
export interface Captioned {
  readonly picture: Picture;
  readonly caption: string;
}

/** Whether it is known what an end looks like: its connector, or the loose wires of a tail. */
const hasView = (assembly: Assembly, end: End): boolean =>
  connectorOf(assembly, end)?.views !== undefined || end.loose !== undefined;

/** The ends of a lead that are pictures of their own: of a box or a barrel the first, with all that is in it. */
export function drawnEnds(assembly: Assembly): readonly string[] {
  const seen = new Set<string>();
  return endsOf(assembly).flatMap((end) => {
    const body = bodyOfEnd(assembly, end.id);
    if (!body || seen.has(body.id) || !hasView(assembly, end)) return [];
    seen.add(body.id);
    return [end.id];
  });
}

interface Row {
  readonly all: readonly Captioned[];
  readonly height: number;
}

const heightOf = ({ picture }: Captioned): number => picture.frame.height + CAPTION * 1.7;

/** Pictures side by side as long as they fit, then in the next row. */
function rowsOf(all: readonly Captioned[], width: number): readonly Row[] {
  const rows: Captioned[][] = [];
  let used = Infinity;
  for (const each of all) {
    if (used + each.picture.frame.width > width) {
      rows.push([]);
      used = 0;
    }
    rows.at(-1)?.push(each);
    used += each.picture.frame.width + BETWEEN;
  }
  return rows.map((row) => ({ all: row, height: Math.max(...row.map(heightOf)) }));
}

/** One row, its pictures on one middle and its captions under them. */
const laid = ({ all, height }: Row, left: number, top: number): Pick<Sheet, 'pictures' | 'lines'> => {
  let x = left;
  const laidOut = all.map((each) => {
    const { frame } = each.picture;
    const at = { x: x - frame.x, y: top + (height - heightOf(each)) / 2 - frame.y };
    const line: Line = { text: each.caption, x, y: top + height - CAPTION * 0.4, size: CAPTION };
    x += frame.width + BETWEEN;
    return { picture: movePicture(each.picture, at), line };
  });
  return {
    pictures: laidOut.map(({ picture }) => picture),
    lines: laidOut.map(({ line }) => line).filter(({ text }) => text !== ''),
  };
};

/** Pictures one below the other, as large as they are: no page. */
export function strip(all: readonly Captioned[]): Sheet {
  const rows = all.map((each): Row => ({ all: [each], height: heightOf(each) }));
  let top = 0;
  const made = rows.map((row) => {
    const at = top;
    top += row.height + BETWEEN;
    return laid(row, 0, at);
  });
  const pictures = made.flatMap((each) => each.pictures);
  return {
    frame: frameRound([
      ...pictures.map(({ frame }) => frame),
      { x: 0, y: 0, width: 1, height: Math.max(1, top - BETWEEN) },
    ]),
    pictures,
    lines: made.flatMap((each) => each.lines),
  };
}

/** Something that stands across a page by itself, from its own top left, mm. */
export interface Band extends Pick<Sheet, 'pictures' | 'lines'> {
  readonly height: number;
}

/** How wide the print of a paper is, between its margins, mm. */
export const printWidth = (paper: Paper): number => PAPERS[paper].width - 2 * EDGE;

/**
 * Bands one below the other on as many pages of a paper as they need, each page with its head and a bar of 100 mm to measure the
 * print by: what every sheet is printed in. `wide`: what has to fit across, where that is more than the paper, mm.
 */
export function onPaperPages(bands: readonly Band[], head: string, paper: Paper, wide = 0): readonly Sheet[] {
  const { height } = PAPERS[paper];
  const width = Math.max(PAPERS[paper].width, wide + 2 * EDGE);
  const from = EDGE + HEAD * 2;
  const to = height - EDGE - 8;
  const made: { top: number; bands: Pick<Sheet, 'pictures' | 'lines'>[] }[] = [];
  for (const band of bands) {
    let page = made.at(-1);
    if (!page || page.top + band.height > to) made.push((page = { top: from, bands: [] }));
    const at = { x: EDGE, y: page.top };
    page.bands.push({
      pictures: band.pictures.map((picture) => movePicture(picture, at)),
      lines: band.lines.map((line) => ({ ...line, x: line.x + at.x, y: line.y + at.y })),
    });
    page.top += band.height;
  }
  return made.map(({ bands: on }, n) => ({
    frame: { x: 0, y: 0, width, height },
    pictures: on.flatMap(({ pictures }) => pictures),
    lines: [
      {
        text: made.length > 1 ? `${head}, ${n + 1} of ${made.length}` : head,
        x: EDGE,
        y: EDGE + HEAD,
        size: HEAD,
        bold: true,
      },
      ...on.flatMap(({ lines }) => lines),
      { text: 'this bar is 100 mm long on paper', x: EDGE, y: height - EDGE, size: CAPTION },
    ],
    bar: { x: EDGE, y: height - EDGE - 5 },
  }));
}

/** Pages of pictures at true size. One that is wider than the paper is turned by nobody: its page is as wide as it needs. */
export function pages(all: readonly Captioned[], head: string, paper: Paper): readonly Sheet[] {
  const wide = Math.max(0, ...all.map(({ picture }) => picture.frame.width));
  const across = Math.max(printWidth(paper), wide);
  const bands = rowsOf(all, across).map((row): Band => ({
    ...laid(row, 0, 0),
    height: row.height + BETWEEN,
  }));
  return onPaperPages(bands, head, paper, wide);
}
