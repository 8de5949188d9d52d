import { cableOf } from '../../core/assembly';
import { cableCuts } from '../../core/cutting';
import { jobItems, kitSheet, type JobItem, type KitSheet, type Wanted } from '../../core/kit';
import { schoolsOf, type Lead } from '../../core/lead';
import { CUT_VERSION, cutPlan, lyingFor, stockOf, type Ready, type ShelfPiece } from '../../core/stock';

/** So long a cutting plan may be looked for to tell whether a job is short of cable, ms. */
const PATIENCE = 200;
/** No cut is an offcut worth keeping here: what is asked is whether all of them can be made. */
const ANY_REST = 0;

/** A lead of a job with how many are still to be made of it. */
export interface StillToMake {
  readonly lead: Lead;
  readonly left: number;
  readonly pairs: boolean;
  /** What was cut for it already and is in no unit yet. */
  readonly ready: readonly Ready[];
}

/** One thing that a job takes, with what lies on the shelf of it. */
export interface JobLine extends JobItem {
  readonly have: number;
  /** Where it lies, each place once. */
  readonly places: readonly string[];
  /** Of a cable: how much of it was cut already and lies ready, mm. */
  readonly cut: number;
  /** What is missing: of cable what of it cannot be cut from the pieces that are there, though there may be as many metres. */
  readonly short: number;
}

/** What a job takes, for what is still to be made. */
export interface JobComesTo {
  readonly lines: readonly JobLine[];
  /** What does not fit, is tight or has to be measured. */
  readonly fits: KitSheet['fits'];
}

/** So many of a lead, as pairs where they come out even. */
const wantedOf = ({ lead, left, pairs }: StillToMake): Wanted =>
  pairs && left % 2 === 0 ? { lead, count: left / 2, pairs } : { lead, count: left };

/** What of one cable cannot be cut from what there is, mm. */
function shortOfCable(making: readonly StillToMake[], item: string, pieces: readonly ShelfPiece[]): number {
  const asked = making.flatMap(({ lead, left, ready }, n) =>
    cableCuts(lead.assembly, schoolsOf(lead)).flatMap(({ span, cable, mm }) => {
      const lying = lyingFor(ready, { span, mm });
      return cable.id === item && left > lying ? [{ id: `${n} ${span}`, mm, count: left - lying }] : [];
    }),
  );
  if (asked.length === 0) return 0;
  const until = Date.now() + PATIENCE;
  const { short = [] } = cutPlan(
    {
      version: CUT_VERSION,
      kerfMm: 0,
      leastOffcutMm: ANY_REST,
      stock: [...stockOf(pieces, item)],
      cuts: asked,
    },
    { mayGoOn: () => Date.now() < until },
  );
  return short.reduce((sum, { id, count }) => sum + count * (asked.find((cut) => cut.id === id)?.mm ?? 0), 0);
}

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
}: {
  readonly making: readonly StillToMake[];
  readonly pieces: readonly ShelfPiece[];
}): JobComesTo {
  const still = making.filter(({ left }) => left > 0);
  const wanted = still.map(wantedOf);
  const cables = new Set(still.flatMap(({ lead }) => lead.assembly.uses.cables.map(({ id }) => id)));
  return {
    lines: jobItems(wanted).map((line): JobLine => {
      const there = pieces.filter(
        ({ item, unit, left }) => item === line.item && unit === line.unit && left > 0,
      );
      const have = there.reduce((sum, { left }) => sum + left, 0);
      return {
        ...line,
        have,
        cut: cables.has(line.item) ? lyingOf(still, line.item) : 0,
        places: [...new Set(there.map(({ place }) => place).filter(Boolean))],
        short: cables.has(line.item) ? shortOfCable(still, line.item, pieces) : Math.max(0, line.much - have),
      };
    }),
    fits: kitSheet(wanted).fits.filter(({ verdict }) => verdict !== 'fits'),
  };
}
