import { cableOf } from '../../core/assembly';
import { cableCuts } from '../../core/cutting';
import { dressed } from '../../core/dressing';
import { jobItems, kit, kitSheet, packsOf, sparedOf, type JobItem, type KitSheet } from '../../core/kit';
import { schoolsOf, type Lead } from '../../core/lead';
import {
  CUT_VERSION,
  cutPlan,
  isTaken,
  lyingFor,
  stockOf,
  type CutPlan,
  type CutProblem,
  type Ready,
  type ShelfPiece,
} from '../../core/stock';
import type { Picks } from '../leads/picked';
import type { PriceList } from '../prices/service';

/** So long a cutting plan may be looked for to tell whether a job is short of cable, ms. */
const PATIENCE = 200;
/** No cut is an offcut worth keeping here: what is asked is whether all of them can be made. */
const ANY_REST = 0;

/** A lead of a job with how many are still to be made of it. */
export interface StillToMake {
  readonly lead: Lead;
  readonly left: number;
  readonly pairs: boolean;
  /** What of its kit is had or left out. */
  readonly picks?: Picks;
  /** What was cut for it already and is in no unit yet. */
  readonly ready: readonly Ready[];
}

/** One thing that a job takes, with what lies on the shelf of it. */
export interface JobLine extends JobItem {
  readonly have: number;
  /** How many lie there that were in a lead before: nobody takes them but by hand. */
  readonly salvaged: number;
  /** Where it lies, each place once. */
  readonly places: readonly string[];
  /** Of a cable: how much of it was cut already and lies ready, mm. */
  readonly cut: number;
  /** What is to be bought, where it is known by how much it is sold: so many packs, or rolls, of so much each. */
  readonly buy?: { readonly packs: number; readonly of: number };
  /** What is missing: of cable what of it cannot be cut from the pieces that are there, though there may be as many metres. */
  readonly short: number;
}

/** What a job takes, for what is still to be made. */
export interface JobComesTo {
  readonly lines: readonly JobLine[];
  /** What does not fit, is tight or has to be measured. */
  readonly fits: KitSheet['fits'];
}

/** With the lines of its kit that nothing is taken for. */
type Still = StillToMake & { readonly spared: ReadonlySet<string> };
const sparedIn = ({ lead, picks = {} }: StillToMake): Still['spared'] =>
  sparedOf(kit(dressed(lead), schoolsOf(lead)), picks);

/** So many of a lead, as pairs where they come out even. */
const wantedOf = ({ lead, left, pairs, spared }: Still) => ({
  lead,
  spared,
  ...(pairs && left % 2 === 0 ? { count: left / 2, pairs } : { count: left }),
});

/** What of one cable is still to be cut. */
const cutsAsked = (making: readonly Still[], item: string): CutProblem['cuts'] =>
  making.flatMap(({ lead, left, ready, spared }, n) =>
    cableCuts(lead.assembly, schoolsOf(lead)).flatMap(({ span, cable, mm }) => {
      const lying = lyingFor(ready, { span, mm });
      return cable.id === item && !spared.has(item) && left > lying
        ? [{ id: `${n} ${span}`, mm, count: left - lying }]
        : [];
    }),
  );

/** A plan that is looked for no longer than somebody waits. */
function planned(cuts: CutProblem['cuts'], stock: CutProblem['stock'], kerfMm: number): CutPlan {
  const until = Date.now() + PATIENCE;
  return cutPlan(
    { version: CUT_VERSION, kerfMm, leastOffcutMm: ANY_REST, stock, cuts },
    { mayGoOn: () => Date.now() < until },
  );
}

/**
 * What of one cable cannot be cut from what there is, mm, and the fewest rolls of so much that hold the rest; none where a cut
 * is longer than a roll.
 */
function shortOfCable(
  cuts: CutProblem['cuts'],
  pieces: CutProblem['stock'],
  roll: number | undefined,
  kerfMm: number,
): Pick<JobLine, 'short' | 'buy'> {
  if (cuts.length === 0) return { short: 0 };
  const missing = (planned(cuts, pieces, kerfMm).short ?? []).map(({ id, count }) => ({
    mm: cuts.find((cut) => cut.id === id)?.mm ?? 0,
    count,
  }));
  const short = missing.reduce((sum, { mm, count }) => sum + mm * count, 0);
  if (short === 0 || roll === undefined || missing.some(({ mm }) => mm > roll)) return { short };
  // Enough of them for each cut that is missing; what is there already is cut into first.
  const most = missing.reduce(
    (sum, { mm, count }) => sum + Math.ceil(count / Math.max(1, Math.floor((roll + kerfMm) / (mm + kerfMm)))),
    0,
  );
  const { reelsOpened } = planned(
    cuts,
    [
      ...pieces.map((piece) => ({ ...piece, kind: 'opened' as const })),
      ...Array.from({ length: most }, (_, n) => ({ id: `new ${n}`, mm: roll, kind: 'reel' as const })),
    ],
    kerfMm,
  );
  return { short, buy: { packs: reelsOpened, of: roll } };
}

/** What is missing of anything else, and the packs that hold it. */
const shortOfPieces = (short: number, pack: number | undefined): Pick<JobLine, 'short' | 'buy'> => ({
  short,
  ...(short > 0 && pack !== undefined ? { buy: { packs: packsOf(short, pack), of: pack } } : {}),
});

/** How much of one cable was cut for what is still to be made, and no more than that takes, mm. */
const lyingOf = (making: readonly StillToMake[], item: string): number =>
  making
    .flatMap(({ lead, left, ready }) =>
      lead.assembly.spans.flatMap((span) =>
        cableOf(lead.assembly, span)?.id === item
          ? ready.filter((each) => each.span === span.id).slice(0, left)
          : [],
      ),
    )
    .reduce((sum, { mm }) => sum + mm, 0);

/** What a job takes, what of it lies on the shelf and what is short. */
export function jobComesTo({
  making,
  pieces,
  sold = {},
  kerfMm = 0,
}: {
  readonly making: readonly StillToMake[];
  readonly pieces: readonly ShelfPiece[];
  /** By item: how much of it is sold at once. */
  readonly sold?: PriceList['sold'];
  /** What each cut costs beside its length. */
  readonly kerfMm?: number;
}): JobComesTo {
  const still = making.filter(({ left }) => left > 0).map((each) => ({ ...each, spared: sparedIn(each) }));
  const wanted = still.map(wantedOf);
  const cables = new Set(still.flatMap(({ lead }) => lead.assembly.uses.cables.map(({ id }) => id)));
  return {
    lines: jobItems(wanted).map((line): JobLine => {
      const all = pieces.filter(
        ({ item, unit, left }) => item === line.item && unit === line.unit && left > 0,
      );
      const there = all.filter(isTaken);
      const have = there.reduce((sum, { left }) => sum + left, 0);
      return {
        ...line,
        have,
        salvaged: all.reduce((sum, piece) => sum + (isTaken(piece) ? 0 : piece.left), 0),
        cut: cables.has(line.item) ? lyingOf(still, line.item) : 0,
        places: [...new Set(there.map(({ place }) => place).filter(Boolean))],
        ...(cables.has(line.item)
          ? shortOfCable(cutsAsked(still, line.item), stockOf(pieces, line.item), sold[line.item], kerfMm)
          : shortOfPieces(Math.max(0, line.much - have), sold[line.item])),
      };
    }),
    fits: kitSheet(wanted).fits.filter(({ verdict }) => verdict !== 'fits'),
  };
}
