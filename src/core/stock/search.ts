import { NOTHING, restOf, wasteOf, type Made, type Model, type Piece } from './model';
import { Packing } from './packed';
import { combined } from './combined';
import { Patterns, type Pattern } from './patterns';
import { neededOf, prepared, type Means, type Prepared } from './room';

/** What is looked for. */
export interface Wanted {
  /** No more whole reels than these are cut into. */
  readonly reels: number;
  /** No more waste than this, mm. */
  readonly waste: number;
  /** No more cuts than these are left out. */
  readonly drops: number;
  /** A piece that is cut from, and whose rest is longer than this: the longest there is is looked for. */
  readonly holder?: { readonly piece: number; readonly longerThan: number };
}

export interface Searched {
  readonly made?: Made;
  /** Whether everything was looked at: where nothing was found, nothing is. */
  readonly whole: boolean;
}

/** So many dead ends are remembered. */
const MOST_KNOWN = 400_000;
/** So many steps between two looks at the clock. */
const STEPS = 64;
/** What a piece that is like the one before may still be: what that one’s list has from where it chose, put off, or left whole. */
interface Among {
  readonly patterns: Patterns | undefined;
  readonly from: number;
  readonly isWhole?: true;
}
const PUT_OFF: Among = { patterns: undefined, from: 0 };
const LEFT_WHOLE: Among = { patterns: undefined, from: 0, isWhole: true };

const NONE = new Patterns(new Packing([]), [], 0);

/** What stands where a piece is decided. */
interface At {
  readonly reels: number;
  readonly waste: number;
  readonly drops: number;
  readonly among?: Among | undefined;
  /** Pieces that keep a rest: what is cut from them is decided when all others are filled to their end. */
  readonly later: readonly number[];
  /** What at the most goes into those. */
  readonly laterRoom: number;
}

/** Counts in so few letters as they may be told apart by: a number where it is exact. */
function namer({ kinds }: Model): (counts: readonly number[]) => string | number {
  const sizes = kinds.map((_, n) => kinds.slice(0, n).reduce((size, { count }) => size * (count + 1), 1));
  const isExact = kinds.reduce((size, { count }) => size * (count + 1), 1) <= Number.MAX_SAFE_INTEGER;
  if (!isExact) return (counts) => counts.join();
  return (counts) => {
    let name = 0;
    for (let n = 0; n < counts.length; n++) name += (counts[n] as number) * (sizes[n] as number);
    return name;
  };
}

/**
 * Decides piece by piece what is cut from it: first those that are filled to their end, the fullest first; then those that
 * keep a rest, which fit in more ways. Turns back where what is left cannot go into what is left. Exact where the lists of
 * patterns are whole and it is not stopped.
 */
export function search(
  model: Model,
  wanted: Wanted,
  means: Means,
  ready: Prepared = prepared(model, means, wanted.holder?.piece),
): Searched {
  const { pieces } = model;
  const { holder } = wanted;
  const ofHolder = holder && pieces[holder.piece]?.isReel ? 1 : 0;
  const reels = Math.min(wanted.reels - ofHolder, (ready.room[0][0]?.length ?? 1) - 1);
  if (reels < 0) return { whole: true };
  const looking = new Looking(model, wanted, means, ready);
  looking.fill(0, { reels, waste: wanted.waste, drops: wanted.drops, later: [], laterRoom: 0 });
  return { ...(looking.found ? { made: looking.found } : {}), whole: looking.whole };
}

/** One search: what is left, what was decided, and what was found. */
class Looking {
  found: Made | undefined;
  whole = true;
  private stopped = false;
  private steps = 0;
  private target: number;
  private readonly held: Piece | undefined;
  private readonly left: number[];
  private readonly made: (readonly number[])[];
  private readonly dead = new Map<string, number>();
  /** Whether any belong together. */
  private readonly areBound: boolean;
  private readonly packing: Packing;
  private readonly called: (counts: readonly number[]) => string | number;

  constructor(
    private readonly model: Model,
    private readonly wanted: Wanted,
    private readonly means: Means,
    private readonly ready: Prepared,
  ) {
    this.target = wanted.holder?.longerThan ?? 0;
    this.held = wanted.holder && model.pieces[wanted.holder.piece];
    this.left = model.kinds.map(({ count }) => count);
    this.made = model.pieces.map(() => []);
    this.areBound = model.kinds.some(({ together }) => together);
    this.packing = new Packing(this.left);
    this.called = namer(model);
  }

  /** How much the piece that is held back may take. */
  private holderRoom(): number {
    return this.held ? Math.min(this.held.room, this.held.mm - this.target) : 0;
  }

  private keep(): void {
    this.found = this.made.map((counts) => [...counts]);
    if (!this.held) this.stopped = true;
  }

  /** Whether it has to turn back here: out of time, or out of room. */
  private isOut(room: number, need: number): boolean {
    if (this.stopped) return true;
    if (++this.steps % STEPS === 0 && !this.means.mayGoOn()) {
      this.whole = false;
      this.stopped = true;
      return true;
    }
    return need > room + this.holderRoom() + NOTHING;
  }

  /** What this place is known by; undefined where it is known that nothing is found from here on. */
  private placeOf(where: string, { waste, drops, among }: At): string | undefined {
    const chosen = among?.patterns?.list[among.from]?.counts;
    const before = chosen ? this.called(chosen) : among ? (among.isWhole ? 'w' : 'p') : '';
    const key = `${where} ${drops} ${before} ${this.called(this.left)}`;
    const known = this.dead.get(key);
    return known !== undefined && known >= waste - NOTHING ? undefined : key;
  }

  private bury(key: string, waste: number): void {
    if (key !== '' && !this.stopped && this.dead.size < MOST_KNOWN) this.dead.set(key, waste);
  }

  private roomFrom(j: number, reels: number, waste: number): number {
    return this.ready.room[waste <= NOTHING ? 1 : 0][j]?.[reels] ?? 0;
  }

  private isLike(n: number, other: number | undefined): boolean {
    const [one, two] = [this.model.pieces[n], this.model.pieces[other ?? -1]];
    return one !== undefined && two !== undefined && one.mm === two.mm && one.isReel === two.isReel;
  }

  /** Decides the piece at this place of the order: filled to its end, put off, or left whole. */
  fill(j: number, at: At): void {
    const { reels, waste, drops, later, laterRoom, among } = at;
    const need = neededOf(this.model, this.left, drops);
    if (this.isOut(this.roomFrom(j, reels, waste) + laterRoom, need)) return;
    const n = this.ready.order[j];
    if (n === undefined) return this.rest(0, { ...at, among: undefined });
    if (!this.held && need <= 0) return this.keep();
    const key = this.placeOf(`${j} ${reels} ${later.join()}`, at);
    if (key === undefined) return;
    const piece = this.model.pieces[n] as Piece;
    const isSame = this.isLike(n, this.ready.order[j + 1]);
    if (this.ready.small.has(n)) {
      this.small(j, n, isSame, at, need);
      this.bury(key, waste);
      return;
    }
    const taken = reels - (piece.isReel ? 1 : 0);
    if (taken >= 0 && !among?.isWhole) {
      const down = (): number => need - this.roomFrom(j + 1, taken, waste) - laterRoom - this.holderRoom();
      // What is too short to keep is waste: so much of it as there may be.
      const lost = Math.min(this.model.least - 2 * NOTHING, waste + NOTHING);
      const atEnd = Math.max(down(), piece.mm - lost, 0);
      if (this.model.least > 0 && among !== PUT_OFF)
        this.each(n, at, atEnd, down, among, (from, patterns, next) =>
          this.fill(j + 1, { ...next, reels: taken, among: isSame ? { patterns, from } : undefined }),
        );
      this.fill(j + 1, {
        ...at,
        reels: taken,
        later: [...later, n],
        laterRoom: laterRoom + (this.ready.keeping.get(n) ?? 0),
        among: isSame ? PUT_OFF : undefined,
      });
    }
    if (piece.isReel) this.fill(j + 1, { ...at, among: isSame ? LEFT_WHOLE : undefined });
    this.bury(key, waste);
  }

  /** Decides a small piece: whatever may be cut from it, a rest kept or not; or nothing. */
  private small(j: number, n: number, isSame: boolean, at: At, need: number): void {
    const { reels, waste, laterRoom, among } = at;
    const down = (): number => need - this.roomFrom(j + 1, reels, waste) - laterRoom - this.holderRoom();
    if (!among?.isWhole)
      this.each(n, at, Math.max(0, down()), down, among, (from, patterns, next) =>
        this.fill(j + 1, { ...next, among: isSame ? { patterns, from } : undefined }),
      );
    this.fill(j + 1, { ...at, among: isSame ? LEFT_WHOLE : undefined });
  }

  /** Decides those that were put off. */
  private rest(k: number, at: At): void {
    const { later, laterRoom, drops, waste, among } = at;
    const need = neededOf(this.model, this.left, drops);
    if (this.isOut(laterRoom, need)) return;
    const n = later[k];
    if (n === undefined) return this.finish(waste, drops);
    if (!this.held && need <= 0) return this.keep();
    // The last of them is soon gone through: it is not worth remembering.
    const key = k + 1 < later.length ? this.placeOf(`later ${later.slice(k).join()}`, at) : '';
    if (key === undefined) return;
    const piece = this.model.pieces[n] as Piece;
    const after = laterRoom - (this.ready.keeping.get(n) ?? 0);
    const isSame = this.isLike(n, later[k + 1]);
    const down = (): number => need - after - this.holderRoom();
    const most = this.model.least > 0 ? piece.mm - this.model.least : piece.room;
    this.each(
      n,
      at,
      Math.max(0, down()),
      down,
      among,
      (from, patterns, next) =>
        this.rest(k + 1, { ...next, laterRoom: after, among: isSame ? { patterns, from } : undefined }),
      most,
    );
    // Nothing is cut from it, and from those alike nothing either.
    this.rest(k + 1, { ...at, laterRoom: after, among: isSame ? PUT_OFF : undefined });
    this.bury(key, waste);
  }

  /** Everything that may be cut from a piece now, the fullest first: it is cut, gone on with, and taken back. */
  private each(
    n: number,
    at: At,
    asked: number,
    down: () => number,
    among: Among | undefined,
    go: (p: number, patterns: Patterns, next: At) => void,
    most = Infinity,
  ): void {
    const piece = this.model.pieces[n] as Piece;
    const patterns = this.choices(piece, asked, most, among);
    const { list } = patterns;
    let least = down();
    for (let p = 0, target = this.target; p < list.length && !this.stopped; p++) {
      const { counts, weight } = list[p] as Pattern;
      if (this.target !== target) [least, target] = [down(), this.target];
      if (weight < least - NOTHING) break;
      const lost = wasteOf(this.model, restOf(piece, weight));
      if (lost > at.waste + NOTHING) continue;
      const taken = this.takenBy(counts);
      const drops = at.drops - taken.out;
      if (drops < 0) continue;
      this.take(taken.counts, -1);
      this.made[n] = counts;
      go(p, patterns, { ...at, waste: at.waste - lost, drops });
      this.take(taken.counts, 1);
    }
    this.made[n] = [];
  }

  /** What is gone once these are cut: of what belongs together and is cut in part, all; `out` of it are left out. */
  private takenBy(counts: readonly number[]): { readonly counts: readonly number[]; readonly out: number } {
    if (!this.areBound) return { counts, out: 0 };
    let out = 0;
    const taken = counts.map((count, kind) => {
      const all = this.left[kind] as number;
      if (count === 0 || count === all || !this.model.kinds[kind]?.together) return count;
      out += all - count;
      return all;
    });
    return { counts: taken, out };
  }

  private take(counts: readonly number[], sign: 1 | -1): void {
    for (let n = 0; n < counts.length; n++)
      this.left[n] = (this.left[n] as number) + sign * (counts[n] as number);
  }

  private fits(counts: readonly number[]): boolean {
    for (let n = 0; n < counts.length; n++)
      if ((counts[n] as number) > (this.left[n] as number)) return false;
    return true;
  }

  /** What may be cut from a piece of what is left, between two weights, the fullest first. */
  private choices(piece: Piece, asked: number, most: number, among: Among | undefined): Patterns {
    const left = this.packing.left(this.left);
    if (among) return among.patterns?.among(left, asked, most, among.from) ?? NONE;
    const room = Math.min(piece.room, most);
    const few = this.areBound ? undefined : combined(this.model, this.packing, this.left, [asked, room]);
    if (few) return few;
    const patterns = this.means.patterns(room, asked);
    if (patterns.down > asked + NOTHING) this.whole = false;
    return patterns.among(left, asked, most);
  }

  /** Everything but the piece that is held back is decided: what is left goes into that. */
  private finish(waste: number, drops: number): void {
    const { held, left, model } = this;
    const { holder } = this.wanted;
    const unplaced = left.reduce((sum, many) => sum + many, 0);
    if (!held || !holder) {
      if (unplaced <= drops) this.keep();
      return;
    }
    const put = (counts: readonly number[], weight: number): void => {
      const rest = restOf(held, weight);
      if (rest <= this.target + NOTHING || weight <= 0 || weight > held.room + NOTHING) return;
      if (wasteOf(model, rest) > waste + NOTHING) return;
      this.made[holder.piece] = [...counts];
      this.keep();
      this.target = rest;
    };
    if (drops === 0) {
      put(left, neededOf(model, left, 0));
      return;
    }
    const down = Math.max(0, neededOf(model, left, drops));
    const list = this.means.patterns(held.room, down);
    if (list.down > down + NOTHING) this.whole = false;
    for (const { counts, weight } of list.list)
      if (weight <= this.holderRoom() + NOTHING && this.fits(counts))
        if (unplaced - counts.reduce((sum, each) => sum + each, 0) <= drops) put(counts, weight);
  }
}
