import { onPaperPages, printWidth, type Band, type Paper, type Picture, type Sheet } from '../drawing';
import type { Move, PatchRow } from '../sweep';
import { heading, writing } from './bands';

/** A patch list as it is read on a stage, with what moved and what is to be mended. */
export interface PatchOnPaper {
  readonly title: string;
  /** When, and by whom. */
  readonly swept: string;
  readonly rows: readonly PatchRow[];
  readonly moves: readonly Move[];
  readonly repairs: readonly {
    readonly way: number;
    readonly name: string;
    readonly says: string;
    readonly mayBe: string;
    readonly place: string;
    readonly notes: readonly string[];
  }[];
}

/** A row is so high, its way and name so large, the rest so small, mm: read from a standing height in stage light. */
const [ROW, LARGE, SMALL] = [9, 6, 3.2];
/** Where the name and what is said beside it begin, from the left, mm. */
const [NAME_AT, NOTE_AT] = [20, 112];
/** So many letters of that size go between them (nominal, of the typeface). */
const NAME_LETTERS = Math.floor((NOTE_AT - NAME_AT) / (LARGE * 0.56));

/** A line across, through a row or under it. */
function ruled(y: number, width: number, thick: number, says: string): Picture {
  return {
    things: [
      {
        key: says,
        is: 'dressing',
        says,
        terminals: [],
        joints: [],
        marks: [
          {
            is: 'box',
            at: { x: width / 2, y },
            width,
            height: 0.01,
            stroke: thick > 0.3 ? 'ink' : 'wire',
            thick,
          },
        ],
      },
    ],
    labels: [],
    frame: { x: 0, y: 0, width, height: ROW },
  };
}

const short = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, most - 1)}…` : text;

/** One way: its number, what stands on it, and what to mind; a struck one is struck through. */
function way(row: PatchRow, width: number): Band {
  const isStruck = row.state === 'bad';
  const notes = isStruck ? `struck: ${row.note}` : row.note;
  return {
    height: ROW,
    pictures: [
      ruled(ROW - 0.4, width, 0.15, `under ${row.way}`),
      ...(isStruck ? [ruled(ROW / 2 - 0.2, NOTE_AT - 4, 0.6, `way ${row.way} struck`)] : []),
    ],
    lines: [
      { text: String(row.way), x: 0, y: LARGE + 0.6, size: LARGE, bold: true },
      {
        text: short(
          row.input ?? (isStruck ? (row.line ?? '') : row.line === undefined ? '' : `(${row.line})`),
          NAME_LETTERS,
        ),
        x: NAME_AT,
        y: LARGE + 0.6,
        size: row.input === undefined ? SMALL : LARGE,
        bold: row.input !== undefined,
      },
      { text: short(notes, 46), x: NOTE_AT, y: LARGE + 0.4, size: SMALL },
    ],
  };
}

/** The list in stage order, large; then who moved and why, who has no way, and what is to be mended. */
export function patchPages(of: PatchOnPaper, paper: Paper = 'a4'): readonly Sheet[] {
  const width = printWidth(paper);
  const moved = of.moves.filter(({ because, to }) => because !== '' && to !== undefined);
  const left = of.moves.filter(({ to }) => to === undefined);
  return onPaperPages(
    [
      writing(`Swept ${of.swept}`, width),
      ...of.rows.map((row) => way(row, width)),
      ...(left.length > 0
        ? [
            heading('Without a way'),
            ...left.map(({ name, because }) => writing(`${name}: ${because}.`, width, 2, true)),
          ]
        : []),
      ...(moved.length > 0
        ? [
            heading('What moved, and why'),
            ...moved.map(({ name, from, to, because }) =>
              writing(
                `${name}: ${from === undefined ? '' : `${from} to `}${to ?? ''}: ${because}.`,
                width,
                2,
              ),
            ),
          ]
        : []),
      ...(of.repairs.length > 0
        ? [
            heading('To be mended'),
            ...of.repairs.map(({ way: at, name, says, mayBe, place, notes }) =>
              writing(
                `[  ] ${at}${name === '' ? '' : `, ${name}`}: ${[
                  `${says}${mayBe === '' ? '' : ` (${mayBe})`}`,
                  ...(place === '' ? [] : [place]),
                  ...notes.map((note) => `“${note}”`),
                ].join('. ')}.`,
                width,
                2,
              ),
            ),
          ]
        : []),
    ],
    of.title,
    paper,
  );
}
