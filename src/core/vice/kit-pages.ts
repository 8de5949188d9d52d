import { movePicture, PAPERS, type Paper, type Picture, type Sheet } from '../drawing';
import type { KitSheet } from '../kit';
import { schoolsOf, type Lead } from '../lead';
import { formatLength } from '../quantity';
import { lengthSystem } from '../wiring';
import { strippedEnds } from './gauges';

/** Off the paper’s edge; a line of type and of a head, with what is between them; mm. */
const [EDGE, TYPE, HEAD, LEADING] = [12, 3, 4.4, 4.3];
/** So many letters of this type go on a line of a mm of paper (nominal, of the typeface). */
const LETTERS_A_MM = 0.62;

type Written = Sheet['lines'][number];

interface Piece {
  readonly height: number;
  readonly lines: readonly Written[];
  readonly picture?: Picture;
}

/** A text cut between words so that no line is wider than that, mm. */
function wrapped(text: string, width: number): readonly string[] {
  const most = Math.floor(width * LETTERS_A_MM);
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= most)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

const writing = (text: string, width: number, indent = 0, bold = false): Piece => {
  const lines = wrapped(text, width - indent);
  return {
    height: lines.length * LEADING + 0.6,
    lines: lines.map((each, n) => ({
      text: each,
      x: indent + (n > 0 ? 4 : 0),
      y: n * LEADING + TYPE,
      size: TYPE,
      ...(bold ? { bold } : {}),
    })),
  };
};
const heading = (text: string): Piece => ({
  height: HEAD * 2,
  lines: [{ text, x: 0, y: HEAD * 1.5, size: HEAD, bold: true }],
});

/** The pieces of a kit’s page, one below the other. */
function piecesOf(lead: Lead, sheet: KitSheet, width: number): readonly Piece[] {
  const system = lengthSystem(schoolsOf(lead));
  const row = (text: string): Piece => writing(text, width, 2);
  return [
    heading('Lay out'),
    ...sheet.items.map(({ count, what, detail, owned }) =>
      row(`[  ] ${count} × ${what}${owned ? ' (have)' : ''}: ${detail}`),
    ),
    ...(sheet.cuts.length > 0 ? [heading('Cut')] : []),
    ...sheet.cuts.flatMap(({ count, total, span, wires, allowances }) => [
      row(
        `[  ] ${count} × ${formatLength(total, system)}, ${span}: ${allowances
          .map(({ what, mm }) => `${mm < 0 ? '−' : '+'} ${formatLength(Math.abs(mm), system)} ${what}`)
          .join(' ')}`,
      ),
      ...(wires ?? []).map(({ id, mm, because }) =>
        row(`   ${id}: ${formatLength(mm, system)}${because === undefined ? '' : `, ${because}`}`),
      ),
    ]),
    ...sheet.partings.map(({ jacketMm, trunk }) =>
      row(
        `[  ] ${formatLength(jacketMm, system)} of jacket off ${trunk} where it is parted, from the raw end`,
      ),
    ),
    ...(sheet.strips.length > 0 ? [heading('Strip: lay the raw end on the line at the left')] : []),
    ...strippedEnds(lead).flatMap(({ says, wires, picture }): readonly Piece[] => [
      writing(says, width, 2, true),
      ...wires.map(row),
      {
        height: picture.frame.height + 3,
        lines: [],
        picture: movePicture(picture, { x: 2 - picture.frame.x, y: -picture.frame.y }),
      },
    ]),
    ...(sheet.fits.some(({ verdict }) => verdict !== 'fits') ? [heading('Mind')] : []),
    ...sheet.fits
      .filter(({ verdict }) => verdict !== 'fits')
      .map(({ says, has, takes, todo }) => row(`${says}: ${has}; takes ${takes}. ${todo ?? ''}`)),
    heading('Tools'),
    ...sheet.tools.map(({ what, set }) => row(`[  ] ${what}${set === undefined ? '' : `: ${set}`}`)),
  ];
}

/** A kit on paper at true size: what to lay out, to cut, the strip gauge of each end, what to mind, the tools; with a bar of 100 mm. */
export function kitPages(lead: Lead, sheet: KitSheet, paper: Paper = 'a4'): readonly Sheet[] {
  const { width, height } = PAPERS[paper];
  const [from, to] = [EDGE + HEAD * 2, height - EDGE - 8];
  const made: { top: number; pieces: { piece: Piece; top: number }[] }[] = [{ top: from, pieces: [] }];
  for (const piece of piecesOf(lead, sheet, width - 2 * EDGE)) {
    let page = made.at(-1);
    if (!page || page.top + piece.height > to) made.push((page = { top: from, pieces: [] }));
    page.pieces.push({ piece, top: page.top });
    page.top += piece.height;
  }
  const units = sheet.leads.reduce((sum, each) => sum + each.units, 0);
  const head = `${lead.name}: kit${units > 1 ? ` for ${units}` : ''}`;
  return made.map(({ pieces }, n): Sheet => ({
    frame: { x: 0, y: 0, width, height },
    pictures: pieces.flatMap(({ piece, top }) =>
      piece.picture ? [movePicture(piece.picture, { x: EDGE, y: top })] : [],
    ),
    lines: [
      {
        text: made.length > 1 ? `${head}, ${n + 1} of ${made.length}` : head,
        x: EDGE,
        y: EDGE + HEAD,
        size: HEAD,
        bold: true,
      },
      ...pieces.flatMap(({ piece, top }) =>
        piece.lines.map((line) => ({ ...line, x: line.x + EDGE, y: line.y + top })),
      ),
      { text: 'this bar is 100 mm long on paper', x: EDGE, y: height - EDGE, size: 3.2 },
    ],
    bar: { x: EDGE, y: height - EDGE - 5 },
  }));
}
