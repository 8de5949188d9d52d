import { NOTHING, type Kind } from './model';
import { Packing } from './packed';

/** What may be cut from one piece. */
export interface Pattern {
  readonly counts: readonly number[];
  readonly weight: number;
}

/** Patterns from the heaviest down, as they are made. */
interface Made {
  readonly list: readonly Pattern[];
  /** Every pattern of at least this weight is in the list. */
  readonly down: number;
  /** More are not listed, whatever is asked. */
  readonly isFull: boolean;
}

/** So many are held against what is left at once where the first is looked for. */
const FOUND_AT_ONCE = 256;

/** Patterns from the heaviest down, which are gone through for what can be made of what is left. */
export class Patterns {
  private words: Int32Array | undefined;

  /** `of`: where these stand in another's words. */
  constructor(
    private readonly packing: Packing,
    readonly list: readonly Pattern[],
    readonly down: number,
    private readonly of?: { readonly words: Int32Array; readonly places: readonly number[] },
  ) {}

  private inWords(): Int32Array {
    const { packing, of } = this;
    return (this.words ??= of ? packing.some(of.words, of.places) : packing.all(this.list));
  }

  /** Of the first so many the first of which there is enough left, and which will do. */
  find(left: readonly number[], many: number, willDo: (pattern: Pattern) => boolean): Pattern | undefined {
    const { list, packing } = this;
    const so = packing.left(left);
    const words = this.inWords();
    const last = Math.min(many, list.length);
    for (let from = 0; from < last; from += FOUND_AT_ONCE)
      for (const p of packing.fitting(words, from, Math.min(from + FOUND_AT_ONCE, last), so))
        if (willDo(list[p] as Pattern)) return list[p];
    return undefined;
  }

  /** From a place on, those between two weights of which there is enough left. */
  among(left: Int32Array, least: number, most = Infinity, from = 0): Patterns {
    const { list, packing } = this;
    const first = most === Infinity ? from : Math.max(from, lighterFrom(list, most + 2 * NOTHING));
    const last = lighterFrom(list, least - NOTHING);
    if (first >= last) return new Patterns(packing, [], 0);
    const words = this.inWords();
    const places = packing.fitting(words, first, last, left);
    const found: Pattern[] = [];
    for (let n = 0; n < places.length; n++) found.push(list[places[n] as number] as Pattern);
    return new Patterns(packing, found, 0, { words, places });
  }
}

/** So many are listed at once. */
const MOST = 30_000;
/** Each half of the kinds has so many combinations at the most, for all of them to be known. */
const MOST_OF_HALF = 60_000;
/** So far it is looked where there are too many kinds for that. */
const MOST_LOOKED = 60_000;

interface Half {
  /** Every combination by its weight, ascending. */
  readonly sums: readonly Pattern[];
}

/** The counts of a kind that may be cut from one piece. */
const choices = ({ count, together }: Kind, parted: boolean): readonly number[] =>
  together && !parted ? [0, count] : Array.from({ length: count + 1 }, (_, n) => n);

/** The kinds in two halves with about as many combinations each; undefined where they have too many. */
function halves(kinds: readonly Kind[], parted: boolean): readonly [Half, Half] | undefined {
  const many = kinds.map((kind) => choices(kind, parted).length);
  const sides: [number[], number[]] = [[], []];
  const sizes: [number, number] = [1, 1];
  for (const kind of many.map((_, n) => n).sort((a, b) => (many[b] ?? 0) - (many[a] ?? 0))) {
    const side = sizes[0] <= sizes[1] ? 0 : 1;
    sides[side].push(kind);
    sizes[side] *= many[kind] ?? 1;
  }
  if (Math.max(...sizes) > MOST_OF_HALF) return undefined;
  const half = (of: readonly number[]): Half => {
    let sums: Pattern[] = [{ weight: 0, counts: kinds.map(() => 0) }];
    for (const n of of) {
      const kind = kinds[n] as Kind;
      sums = choices(kind, parted).flatMap((count) =>
        sums.map(({ weight, counts }) => ({
          weight: weight + count * kind.weight,
          counts: counts.map((before, k) => (k === n ? count : before)),
        })),
      );
    }
    return { sums: sums.sort((a, b) => a.weight - b.weight) };
  };
  return [half(sides[0]), half(sides[1])];
}

/** How many combinations of both weigh from `down` to `room`. */
function between([one, other]: readonly [Half, Half], down: number, room: number): number {
  let [low, high, sum] = [other.sums.length, other.sums.length, 0];
  for (const { weight } of one.sums) {
    while (high > 0 && weight + (other.sums[high - 1]?.weight ?? 0) > room + NOTHING) high--;
    while (low > 0 && weight + (other.sums[low - 1]?.weight ?? 0) >= down - NOTHING) low--;
    sum += Math.max(0, high - low);
  }
  return sum;
}

/** All of them, the heaviest first. */
function listed([one, other]: readonly [Half, Half], down: number, room: number): readonly Pattern[] {
  const found: Pattern[] = [];
  let [low, high] = [other.sums.length, other.sums.length];
  for (const a of one.sums) {
    while (high > 0 && a.weight + (other.sums[high - 1]?.weight ?? 0) > room + NOTHING) high--;
    while (low > 0 && a.weight + (other.sums[low - 1]?.weight ?? 0) >= down - NOTHING) low--;
    for (let m = low; m < high; m++) {
      const b = other.sums[m] as Pattern;
      // Each half has nothing of what the other has.
      const counts = a.counts.slice() as number[];
      for (let k = 0; k < counts.length; k++) counts[k] = (counts[k] as number) + (b.counts[k] as number);
      found.push({ counts, weight: a.weight + b.weight });
    }
  }
  return heaviestFirst(found);
}

/** What weights are told apart by, mm, where they are sorted as whole numbers. */
const FINE = 1e-3;

/** The heaviest first; of those that weigh the same by their counts. Weights of whole micrometres are sorted as numbers, which is sooner. */
function heaviestFirst(list: Pattern[]): readonly Pattern[] {
  const slowly = (a: Pattern, b: Pattern): number => b.weight - a.weight || compare(a.counts, b.counts);
  const places = 2 ** Math.ceil(Math.log2(list.length + 1));
  const keys = new Float64Array(list.length);
  for (let n = 0; n < list.length; n++) {
    const fine = (list[n] as Pattern).weight / FINE;
    const whole = Math.round(fine);
    if (Math.abs(fine - whole) > 1e-4 || whole > Number.MAX_SAFE_INTEGER / places) return list.sort(slowly);
    keys[n] = -whole * places + n;
  }
  keys.sort();
  const sorted: Pattern[] = [];
  for (let n = 0, from = 0; n <= keys.length; n++) {
    const key = keys[n];
    const at = key === undefined ? undefined : ((key % places) + places) % places;
    const next = at === undefined ? undefined : list[at];
    const last = sorted[sorted.length - 1];
    if (last && (!next || Math.abs(next.weight - last.weight) > FINE / 2)) {
      if (sorted.length - from > 1) {
        const alike = sorted.splice(from).sort(slowly);
        for (const each of alike) sorted.push(each);
      }
      from = sorted.length;
    }
    if (next) sorted.push(next);
  }
  return sorted;
}

/** Where there are too many kinds: those that are come to first, long pieces before short ones. */
function looked(
  kinds: readonly Kind[],
  parted: boolean,
  [down, room]: readonly [down: number, room: number],
  mayGoOn: () => boolean,
): Made {
  const after = kinds.map(() => 0);
  for (let n = kinds.length - 1, sum = 0; n >= 0; n--)
    after[n] = sum += (kinds[n]?.weight ?? 0) * (kinds[n]?.count ?? 0);
  const most = Math.ceil((MOST_LOOKED * 10) / kinds.length);
  const list: Pattern[] = [];
  const counts = kinds.map(() => 0);
  let looks = 0;
  let isAll = true;
  const from = (n: number, weight: number): void => {
    if (weight + (after[n] ?? 0) < down - NOTHING) return;
    if (looks++ > most || list.length >= MOST || (looks % 512 === 0 && !mayGoOn())) isAll = false;
    if (!isAll) return;
    const kind = kinds[n];
    if (!kind) {
      if (weight > 0) list.push({ counts: [...counts], weight });
      return;
    }
    const step = kind.together && !parted ? kind.count : 1;
    const fit = Math.min(kind.count, Math.floor((room + NOTHING - weight) / kind.weight));
    for (let count = fit - (fit % step); count >= 0 && isAll; count -= step) {
      counts[n] = count;
      from(n + 1, weight + count * kind.weight);
    }
    counts[n] = 0;
  };
  from(0, 0);
  return { list: list.sort((a, b) => b.weight - a.weight), down: isAll ? down : Infinity, isFull: !isAll };
}

/** Of a list from the heaviest down the first place that is lighter than this. */
function lighterFrom(list: readonly Pattern[], weight: number): number {
  let [low, high] = [0, list.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((list[middle] as Pattern).weight < weight) high = middle;
    else low = middle + 1;
  }
  return low;
}

/**
 * What may be cut from a piece with so much room, down to a weight: all of it where the list says so. `parted`: what belongs
 * together may be made in part.
 */
export function patternsOf(
  kinds: readonly Kind[],
  parted: boolean,
  mayGoOn: () => boolean,
): (room: number, down: number) => Patterns {
  const both = halves(kinds, parted);
  const packing = new Packing(kinds.map(({ count }) => count));
  const known = new Map<number, { readonly patterns: Patterns; readonly isFull: boolean }>();
  const make = (room: number, down: number): Made => {
    if (!both) return looked(kinds, parted, [down, room], mayGoOn);
    let [low, high] = [down, room];
    const isFull = between(both, low, room) > MOST;
    if (isFull) {
      for (let n = 0; n < 30; n++) {
        const middle = (low + high) / 2;
        if (between(both, middle, room) > MOST) low = middle;
        else high = middle;
      }
      low = high;
    }
    return { list: listed(both, Math.max(low, NOTHING * 2), room), down: low, isFull };
  };
  return (room, down) => {
    const before = known.get(room);
    if (before && (before.patterns.down <= down || before.isFull)) return before.patterns;
    // A little more than was asked for, so that the next question need not ask again.
    const { list, down: so, isFull } = make(room, Math.max(0, Math.min(down, room - 2 * (room - down))));
    const patterns = new Patterns(packing, list, so);
    known.set(room, { patterns, isFull });
    return patterns;
  };
}

/** The order of patterns that weigh the same. */
export function compare(one: readonly number[], other: readonly number[]): number {
  for (let n = 0; n < one.length; n++)
    if (one[n] !== other[n]) return (one[n] as number) - (other[n] as number);
  return 0;
}
