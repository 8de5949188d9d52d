/** Keys that follow each other within this are no hand's: a meter or a scanner types (from memory), ms. */
export const FASTEST_HAND_MS = 30;
/** How long a key alone is held back until it is known that no other follows: longer than that, and no more than is noticed, ms. */
const HELD_MS = 45;
/** Fewer than this may be two fingers of one hand. */
const LEAST = 3;

/** A key that was pressed, as far as it matters. */
export interface Pressed {
  readonly key: string;
  /** When, ms. */
  readonly at: number;
  /** Whether it was pressed in the field of the reading, which types it already. */
  readonly inField: boolean;
}

/** What becomes of a key now: it goes on its way, or is held back and nobody else hears of it. */
export type Way = 'on' | 'held';

/** Where keys go that were held back. */
export interface Ways {
  /** A whole line that was typed by a device. */
  readonly line: (text: string) => void;
  /** Keys of a hand after all, in their order. */
  readonly keys: (keys: readonly Pressed[]) => void;
  /** Calls after a time, unless it is called off by what it gives. */
  readonly later: (call: () => void, ms: number) => () => void;
}

/**
 * Tells a device that types from a hand: so many keys, each right after the other, with Enter after them, are a line of a device. Until that is known no
 * key goes to a shortcut.
 */
export class TypingMeter {
  #held: Pressed[] = [];
  #callOff: () => void = () => undefined;

  constructor(private readonly ways: Ways) {}

  /** A key was pressed for the screen or for the field of the reading. */
  press(pressed: Pressed): Way {
    this.#callOff();
    const before = this.#held.at(-1);
    const isNext =
      before !== undefined && pressed.at - before.at <= FASTEST_HAND_MS && before.inField === pressed.inField;
    if (!isNext) this.#letGo();
    if (pressed.key === 'Enter' || pressed.key === 'Tab') {
      const text = this.#held.map(({ key }) => key).join('');
      if (this.#held.length < LEAST) {
        this.#letGo();
        return 'on';
      }
      this.#held = [];
      this.ways.line(text);
      return 'held';
    }
    this.#held.push(pressed);
    this.#callOff = this.ways.later(() => this.#letGo(), HELD_MS);
    return pressed.inField ? 'on' : 'held';
  }

  /** Gives up what is held: nobody is there any more. */
  stop(): void {
    this.#callOff();
    this.#held = [];
  }

  #letGo(): void {
    const keys = this.#held.filter(({ inField }) => !inField);
    this.#held = [];
    if (keys.length > 0) this.ways.keys(keys);
  }
}
