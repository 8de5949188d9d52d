import { cableOf, endsOf, spansAt, type Assembly } from '../assembly';
import type { CableEntry } from '../catalogue';
import type { KitLine } from './lines';
import type { LoggedPace } from './logged';

/** How long things take a practised builder, minutes. */
export interface Pace {
  /** One end, by how its screen is made into a conductor. */
  readonly end: Readonly<Record<CableEntry['screen'], number>>;
  /** More for each part in a shell, and for each break-out. */
  readonly part: number;
  readonly breakout: number;
  /** Once for all that is made together: laying out, the iron, the settings. */
  readonly setUp: number;
  /** Proving and labelling one. */
  readonly prove: number;
  readonly source: string;
}

/**
 * Where the log has no times yet: 10 to 15 min an end with combed braid, less with spiral or drain (handbook, section 14); the
 * rest from memory.
 */
export const USUAL_PACE: Pace = {
  end: { braid: 12.5, spiral: 8, foil: 6, none: 6 },
  part: 3,
  breakout: 10,
  setUp: 10,
  prove: 5,
  source: 'common practice, 10 to 15 min an end with combed braid; the rest from memory',
};

/** What is paid, in whatever money: by item, a metre of what is cut from a length, and a piece of anything else. */
export type Prices = Readonly<Record<string, number>>;

export interface CostLine {
  readonly what: string;
  readonly cost: number;
}

/** What one lead costs of so many that are made together, in the money of the prices. */
export interface Cost {
  readonly lines: readonly CostLine[];
  /** What no price is known of: it is not in the sum. */
  readonly unpriced: readonly string[];
  readonly material: number;
  /** Minutes for one, its share of the setting up among them. */
  readonly minutes: number;
  /** Where the minutes are from. */
  readonly pace: string;
  /** The builder’s time; none where no rate is set. */
  readonly labour?: number;
  readonly total: number;
  readonly bought?: {
    readonly price: number;
    /** What one saves; less than nothing where buying is cheaper. */
    readonly saving: number;
    /** From how many on, made together, making is no dearer; none where it never is. */
    readonly breakEven?: number;
  };
}

export interface CostOptions {
  /** How many are made together. */
  readonly count?: number;
  /** What an hour of the builder’s is worth. */
  readonly hourly?: number | undefined;
  /** What a bought one costs. */
  readonly bought?: number | undefined;
  readonly pace?: Pace;
  /** How long one takes by the log, where that says. */
  readonly logged?: LoggedPace | undefined;
}

/** How long one takes once everything is set up, minutes. */
export function minutesFor(assembly: Assembly, pace: Pace = USUAL_PACE): number {
  const ends = endsOf(assembly).reduce((sum, end) => {
    const body = assembly.bodies.find(({ ends: all }) => all.some(({ id }) => id === end.id));
    const spans = body ? spansAt(assembly, body.id) : [];
    // Of several cables in one connector each is made up by itself; a plug without a cable is made like one of drains.
    const made = spans.map(
      (span) => pace.end[span.carries ? 'foil' : (cableOf(assembly, span)?.screen ?? 'none')],
    );
    return sum + (made.length > 0 ? made.reduce((all, each) => all + each, 0) : pace.end.none);
  }, 0);
  const parts = assembly.bodies.reduce((sum, { parts: all }) => sum + all.length, 0);
  const breakouts = assembly.bodies.filter(({ kind }) => kind === 'breakout').length;
  return ends + parts * pace.part + breakouts * pace.breakout + pace.prove;
}

/** Of what is bought by the reel for many leads, what one of them takes is not counted. */
export const isPriced = ({ id, owned }: KitLine): boolean => !owned && id !== 'solder';

/** How much of a line there is, in what it is priced by: metres of what is cut from a length, else pieces. */
export const amountIn = ({ mm, count }: KitLine): number => (mm === undefined ? count : mm / 1000);

/**
 * What one lead costs: its material, the builder’s time at a rate, and that against a bought one. What is cut from a length is
 * priced by the metre, anything else by the piece; what is had already costs nothing, and solder is not counted.
 *
 *     costOf(lines, assembly, { 'pair-braid': 2, 'xlr3-plug': 4, 'xlr3-socket': 5 }).material; // 6 m → 20.932
 */
export function costOf(
  lines: readonly KitLine[],
  assembly: Assembly,
  prices: Prices,
  { count = 1, hourly, bought, pace = USUAL_PACE, logged }: CostOptions = {},
): Cost {
  const taken = lines.filter(isPriced);
  const priced = taken.flatMap((line): CostLine[] => {
    const price = prices[line.item];
    return price === undefined ? [] : [{ what: line.what, cost: price * amountIn(line) }];
  });
  const material = priced.reduce((sum, { cost }) => sum + cost, 0);
  const each = logged?.minutes ?? minutesFor(assembly, pace);
  const minutes = each + pace.setUp / count;
  const worth = (of: number): number => ((hourly ?? 0) * of) / 60;
  const total = material + worth(minutes);
  // Setting up is paid once: n of them are as dear as bought where n × (bought − material − time) covers it.
  const gain = (bought ?? 0) - material - worth(each);
  const breakEven = gain > 0 ? Math.max(1, Math.ceil(worth(pace.setUp) / gain - 1e-9)) : undefined;
  return {
    lines: priced,
    unpriced: taken.filter(({ item }) => prices[item] === undefined).map(({ what }) => what),
    material,
    minutes,
    pace: logged?.says ?? pace.source,
    ...(hourly === undefined ? {} : { labour: worth(minutes) }),
    total,
    ...(bought === undefined
      ? {}
      : {
          bought: {
            price: bought,
            saving: bought - total,
            ...(breakEven === undefined ? {} : { breakEven }),
          },
        }),
  };
}
