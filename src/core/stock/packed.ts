/** The bits of a word that are used: sums of words stay whole numbers of 31 bits. */
const BITS = 30;

/**
 * Counts of every kind in a few words, each with a bit before it that is set in what is left: where one is taken from the other,
 * a kind of which there is not enough takes that bit away. So whether all of it is there is asked by one subtraction a word.
 */
export class Packing {
  /** Words that counts take. */
  readonly size: number;
  private readonly places: readonly { readonly word: number; readonly shift: number }[];
  /** The bits before the counts, by word. */
  readonly guards: Int32Array;

  /** `most`: of each kind the highest count there is. */
  constructor(most: readonly number[]) {
    let [word, used] = [0, 0];
    const places = most.map((count) => {
      const bits = Math.ceil(Math.log2(count + 1)) + 1;
      if (used + bits > BITS) [word, used] = [word + 1, 0];
      used += bits;
      return { word, shift: used - bits, guard: 2 ** (used - 1) };
    });
    this.places = places;
    this.size = word + 1;
    this.guards = new Int32Array(this.size);
    for (const { word: at, guard } of places) this.guards[at] = (this.guards[at] ?? 0) + guard;
  }

  /** Puts counts into words, from a place on. */
  put(counts: readonly number[], words: Int32Array, from: number): void {
    for (let k = 0; k < counts.length; k++) {
      const { word, shift } = this.places[k] as { word: number; shift: number };
      words[from + word] = (words[from + word] as number) + ((counts[k] as number) << shift);
    }
  }

  /** The counts of all of these in words. */
  all(patterns: readonly { readonly counts: readonly number[] }[]): Int32Array {
    const words = new Int32Array(patterns.length * this.size);
    for (let p = 0; p < patterns.length; p++)
      this.put((patterns[p] as { counts: readonly number[] }).counts, words, p * this.size);
    return words;
  }

  /** Of counts in words those at some places. */
  some(words: Int32Array, places: readonly number[]): Int32Array {
    const { size } = this;
    const own = new Int32Array(places.length * size);
    for (let n = 0, at = 0; n < places.length; n++)
      for (let w = 0, from = (places[n] as number) * size; w < size; w++, at++)
        own[at] = words[from + w] as number;
    return own;
  }

  /** What is left, with the bits before the counts. */
  left(counts: readonly number[]): Int32Array {
    const words = Int32Array.from(this.guards);
    this.put(counts, words, 0);
    return words;
  }

  /** Of counts in words, between two places, those of which there is enough left. */
  fitting(words: Int32Array, from: number, to: number, left: Int32Array): readonly number[] {
    const { size, guards } = this;
    const [first, guard] = [left[0] as number, guards[0] as number];
    const found: number[] = [];
    for (let p = from, at = from * size; p < to; p++, at += size) {
      if (((first - (words[at] as number)) & guard) !== guard) continue;
      let w = 1;
      while (w < size) {
        const own = guards[w] as number;
        if ((((left[w] as number) - (words[at + w] as number)) & own) !== own) break;
        w++;
      }
      if (w === size) found.push(p);
    }
    return found;
  }
}
