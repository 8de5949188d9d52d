import { onPaperPages, printWidth, type Band, type Paper, type Sheet } from '../drawing';
import type { JobItem, KitSheet } from '../kit';
import { formatLength, type LengthSystem } from '../quantity';
import { heading, writing } from './bands';

/** What a job asks for, what that takes and what there is of it. */
export interface JobOnPaper {
  readonly job: string;
  readonly leads: readonly { readonly name: string; readonly left: number; readonly started: number }[];
  readonly lines: readonly (JobItem & {
    readonly have: number;
    readonly places: readonly string[];
    readonly short: number;
    readonly buy?: { readonly packs: number; readonly of: number };
  })[];
  /** What is still to be cut of each cable. */
  readonly cuts: readonly {
    readonly name: string;
    readonly cable: string;
    readonly mm: number;
    readonly toCut: number;
  }[];
  readonly fits: KitSheet['fits'];
}
type Line = JobOnPaper['lines'][number];

/** “3 packs of 10 of it”, “2 rolls of 100 m”, “4”, “5.97 m”. */
function toBuy({ unit, short, buy }: Line, say: (line: Pick<Line, 'unit'>, much: number) => string): string {
  if (!buy) return say({ unit }, short);
  const pack = unit === 'mm' ? 'roll' : 'pack';
  return `${buy.packs} ${buy.packs === 1 ? pack : `${pack}s`} of ${say({ unit }, buy.of)}`;
}

function bandsOf(of: JobOnPaper, width: number, system: LengthSystem): readonly Band[] {
  const row = (text: string): Band => writing(`[  ] ${text}`, width, 2);
  const say = ({ unit }: Pick<Line, 'unit'>, much: number): string =>
    unit === 'mm' ? formatLength(much, system) : `${much}`;
  const part = (head: string, rows: readonly string[]): readonly Band[] =>
    rows.length > 0 ? [heading(head), ...rows.map(row)] : [];
  const lying = of.lines.filter(({ have }) => have > 0);
  return [
    ...part(
      'Make',
      of.leads.flatMap(({ name, left, started }) =>
        left > 0 ? [`${left} × ${name}${started > 0 ? ` (${started} started)` : ''}`] : [],
      ),
    ),
    ...part(
      'From the shelf',
      lying.map(
        (line) =>
          `${say(line, Math.min(line.have, line.much))} ${line.name}${line.places.length > 0 ? `: ${line.places.join(', ')}` : ''}`,
      ),
    ),
    ...part(
      'Buy',
      of.lines.flatMap((line) =>
        line.short > 0
          ? [
              `${toBuy(line, say)}: ${line.name}${line.buy ? `, of which ${say(line, line.short)} are short` : ''}`,
            ]
          : [],
      ),
    ),
    ...part(
      'Cut, of each cable the longest first',
      of.cuts
        .filter(({ toCut }) => toCut > 0)
        .toSorted((one, other) => one.cable.localeCompare(other.cable, 'en') || other.mm - one.mm)
        .map(({ cable, mm, toCut, name }) => `${toCut} × ${formatLength(mm, system)} of ${cable}: ${name}`),
    ),
    ...part(
      'Mind',
      of.fits
        .filter(({ verdict }) => verdict !== 'fits' && verdict !== 'measure')
        .map(({ lead, says, has, takes, todo }) => `${lead}: ${says}: ${has}; takes ${takes}. ${todo ?? ''}`),
    ),
  ];
}

/** A whole job on paper: what to make, to take from the shelf, to buy, to cut and to mind, each with a box to tick. */
export const jobPages = (of: JobOnPaper, system: LengthSystem, paper: Paper = 'a4'): readonly Sheet[] =>
  onPaperPages(bandsOf(of, printWidth(paper), system), `${of.job}: everything for it`, paper);
