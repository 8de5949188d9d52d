import {
  frameOf,
  onPaperPages,
  printWidth,
  type Band,
  type Paper,
  type Picture,
  type Sheet,
  type Thing,
} from '../drawing';
import { formatLength, type LengthSystem } from '../quantity';
import { heading, writing } from './bands';

/** One piece of the shelf with what is cut from it, in cutting order, mm. */
export interface TapeOnPaper {
  /** What it is and where it lies: “Opened reel, rack A”. */
  readonly says: string;
  readonly longMm: number;
  /** Off its end before the first cut: what lies before a bad stretch, and it. */
  readonly firstMm: number;
  readonly cuts: readonly { readonly name: string; readonly mm: number }[];
  /** What is left of the stretch that it is cut from; and whether that ends at a bad one, not at the end of the piece. */
  readonly restMm: number;
  readonly toBad: boolean;
  /** What each cut costs beside its length. */
  readonly kerfMm: number;
  readonly isCut: boolean;
}

/** The cutting list of a job, cable by cable. */
export interface CutListOnPaper {
  readonly job: string;
  readonly cables: readonly {
    readonly name: string;
    readonly tapes: readonly TapeOnPaper[];
    /** What no piece is long enough for: “2 × Bridge mic”. */
    readonly short: readonly string[];
    /** What is to be cut that no plan is of. */
    readonly unplanned: number;
  }[];
}

/** How high a tape is, and how wide letters of a name on it are, mm. */
const [HIGH, LETTER] = [7, 1.5];

/** What is left of a piece after its cuts. */
const restOf = ({ longMm, firstMm, cuts, kerfMm }: TapeOnPaper): number =>
  Math.max(0, longMm - firstMm - cuts.reduce((sum, { mm }) => sum + mm + kerfMm, 0));

/** A piece to scale: what comes off first, each cut, what is left. */
function tape(of: TapeOnPaper, width: number, longestMm: number): Band {
  const scale = width / longestMm;
  let at = of.firstMm * scale;
  const cuts = of.cuts.map(({ name, mm }) => {
    const x = at;
    at += (mm + of.kerfMm) * scale;
    return { name, x, wide: mm * scale };
  });
  const box = (key: string, x: number, wide: number, fill: 'WH' | 'GY', thick: number): readonly Thing[] =>
    wide <= 0
      ? []
      : [
          {
            key,
            is: 'insert',
            says: key,
            terminals: [],
            joints: [],
            marks: [
              {
                is: 'box',
                at: { x: x + wide / 2, y: HIGH / 2 },
                width: wide,
                height: HIGH,
                fill,
                stroke: 'outline',
                thick,
              },
            ],
          },
        ];
  const things = [
    ...box('what comes off first', 0, of.firstMm * scale, 'GY', 0.15),
    ...cuts.flatMap(({ name, x, wide }, n) => box(`${n + 1}, ${name}`, x, wide, 'WH', 0.3)),
    ...box('what is left', at, restOf(of) * scale, 'WH', 0.1),
  ];
  const picture: Picture = { things, labels: [], frame: frameOf(things, []) };
  return {
    height: HIGH + 2,
    pictures: [picture],
    lines: cuts.flatMap(({ name, x, wide }) => {
      const letters = Math.floor((wide - 2) / LETTER);
      return letters < 3
        ? []
        : [
            {
              text: name.length > letters ? `${name.slice(0, letters - 1)}…` : name,
              x: x + 1,
              y: HIGH / 2 + 1,
              size: 2.4,
            },
          ];
    }),
  };
}

/** Runs of one and the same cut, in their order. */
function runs(cuts: TapeOnPaper['cuts']): readonly { name: string; mm: number; count: number }[] {
  const found: { name: string; mm: number; count: number }[] = [];
  for (const { name, mm } of cuts) {
    const last = found.at(-1);
    if (last?.name === name && last.mm === mm) last.count++;
    else found.push({ name, mm, count: 1 });
  }
  return found;
}

/** The tapes of a job on paper, to scale, each with its cuts in their order and a box to tick. */
export function cutPages(of: CutListOnPaper, system: LengthSystem, paper: Paper = 'a4'): readonly Sheet[] {
  const width = printWidth(paper);
  const say = (mm: number): string => formatLength(mm, system);
  const bands = of.cables.flatMap(({ name, tapes, short, unplanned }): readonly Band[] => {
    const longest = Math.max(1, ...tapes.map(({ longMm }) => longMm));
    return [
      heading(name),
      ...(unplanned > 0
        ? [writing(`${unplanned} to cut that no plan is of: plan the cuts first.`, width, 2)]
        : []),
      ...tapes.flatMap((each, n) => [
        writing(
          `${n + 1}. ${each.says}, ${say(each.longMm)} long${each.isCut ? ': cut already' : `; ${say(each.restMm)} left after it${each.toBad ? ', to the next bad stretch' : ''}`}`,
          width,
          0,
          true,
        ),
        tape(each, width, longest),
        ...(each.firstMm > 0
          ? [writing(`[  ] first off: ${say(each.firstMm)}, to the end of the bad stretch`, width, 2)]
          : []),
        ...runs(each.cuts).map(({ name: lead, mm, count }) =>
          writing(`[  ] ${count} × ${say(mm)}: ${lead}`, width, 2),
        ),
      ]),
      ...(short.length > 0 ? [writing(`Short of it: ${short.join(', ')}`, width, 2, true)] : []),
    ];
  });
  return onPaperPages(
    bands.length > 0 ? bands : [writing('There is nothing to cut.', width)],
    `${of.job}: cut list`,
    paper,
  );
}
