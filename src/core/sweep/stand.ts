import { judged, type Fault, type Look, type Truth } from './looks';
import type { Lines } from './document';

export type LineState = Lines['lines'][number]['state'];

/** What was found of a line when its venue was swept before. */
export interface Earlier {
  readonly sweep: string;
  /** When it was looked at, as an instant. */
  readonly at: string;
  readonly state: 'good' | 'bad';
  readonly says: string;
  /** What it may be, where it was bad. */
  readonly mayBe: readonly Fault[];
  readonly by: string;
}

/** Where a line stands in a sweep. */
export interface LineStand {
  readonly way: number;
  readonly state: LineState;
  /** The look that counts, and what it says; none where nobody looked yet. */
  readonly look?: Look & { readonly says: string; readonly mayBe: readonly Fault[] };
  /** All that was seen and said of it in this sweep, in its order. */
  readonly all: readonly Look[];
  readonly notes: readonly string[];
  /** How it was found before, the newest first. */
  readonly earlier: readonly Earlier[];
}

/** By the time they were looked at; of the same instant in the order in which they came. */
const inTime = (looks: readonly Look[]): Look[] =>
  [...looks].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));

/** The look that counts of these: the last, unless it was taken back. */
export function lookThatCounts(looks: readonly Look[]): Look | undefined {
  const seen = inTime(looks).filter(({ kind }) => kind !== 'note');
  const last = seen.at(-1);
  return last?.kind === 'taken-back' ? undefined : last;
}

/**
 * Where every line of a venue stands: by what was seen tonight; a line that nobody looked at yet by how it was found last: bad
 * it stays, and good it is not proven tonight, unless `trusts` says that it counts.
 */
export function standsOf(
  ways: readonly number[],
  looks: readonly Look[],
  {
    truth,
    earlier,
    trusts,
  }: {
    readonly truth: Truth;
    readonly earlier: ReadonlyMap<number, readonly Earlier[]>;
    readonly trusts: boolean;
  },
): readonly LineStand[] {
  const byWay = new Map<number, Look[]>();
  for (const look of looks) byWay.set(look.way, [...(byWay.get(look.way) ?? []), look]);
  return ways.map((way) => {
    const own = inTime(byWay.get(way) ?? []);
    const before = earlier.get(way) ?? [];
    const look = lookThatCounts(own);
    const found = look && judged(look, truth);
    const last = before[0]?.state;
    return {
      way,
      state: found ? found.state : last === 'bad' ? 'bad' : last === 'good' && trusts ? 'good' : 'unknown',
      ...(look && found ? { look: { ...look, says: found.says, mayBe: found.mayBe } } : {}),
      all: own,
      notes: own.flatMap(({ kind, text }) => (kind === 'note' && text !== undefined ? [text] : [])),
      earlier: before,
    };
  });
}

/** How many lines in a row nothing is lit on before it is asked whether phantom is on. */
const DARK_IN_A_ROW = 3;
/**
 * The ways that were dark one after the other, up to the last that was looked at, where they are enough to ask whether phantom is
 * on at all, or the plug broken; none where they are fewer, or were taken back.
 */
export function darkInARow(looks: readonly Look[]): readonly number[] {
  const dark = new Set<number>();
  for (const { kind, lamps, way } of inTime(looks).reverse()) {
    if (kind === 'note') continue;
    if (kind !== 'lamps' || lamps !== 'none') break;
    dark.add(way);
  }
  return dark.size < DARK_IN_A_ROW ? [] : [...dark].reverse();
}

/** Which way is looked at after this one: the next of the venue’s that nobody looked at, from its first again; none where all others were. */
export function nextWay(stands: readonly LineStand[], after: number | undefined): number | undefined {
  const place = stands.findIndex(({ way }) => way === after);
  const open = (from: readonly LineStand[]): number | undefined =>
    from.find(({ look, way }) => !look && way !== after)?.way;
  return open(stands.slice(place + 1)) ?? open(stands);
}
