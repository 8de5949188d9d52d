import { OPEN } from '../quantity';
import type { Probe } from './check';

/** What is shown for a figure that a meter cannot reach, and for none (SCPI 1999, volume 1, section 7.2.1.4; from memory). */
const OVERLOAD = 9.9e37;
const NO_NUMBER = 9.91e37;
/** Leads that were nulled may come out below nothing by so much; what is lower is of something live, Ω or V (from memory). */
const NULLED = 1;

/** A figure as a meter sends or types it, Ω, V or F; `Infinity` for overload; nothing where it is none. */
export function readFigure(text: string): number | undefined {
  if (!/^\s*[+-]?(\d+\.?\d*|\.\d+)(E[+-]?\d+)?\s*$/i.test(text)) return undefined;
  const value = Number(text);
  if (Math.abs(value) >= NO_NUMBER || value < -NULLED) return undefined;
  return Math.abs(value) >= OVERLOAD ? OPEN : Math.max(0, value);
}

/** What a meter that is read again and again is at with one probe. */
export interface Following {
  /** The last figures, oldest first: no more than it takes. */
  readonly last: readonly number[];
  /** Whether the leads were in the air since the probe was asked: what comes then is of this probe, and of no other. */
  readonly isLifted: boolean;
}
export const NOT_FOLLOWED: Following = { last: [], isLifted: false };

/** So many figures running, alike, are a reading. */
const RUNNING = 3;
/** By how much figures that are alike may differ: a share, or so much, Ω, V or F (from memory). */
const ALIKE: Readonly<Record<NonNullable<Probe['mode']> | 'ohms', { share: number; least: number }>> = {
  ohms: { share: 0.005, least: 0.05 },
  diode: { share: 0.01, least: 0.01 },
  capacitance: { share: 0.02, least: 5e-12 },
};
/** What the leads in the air show on a capacitance range, and less, F (from memory). */
const AIR_FARADS = 50e-12;

const isAir = (figure: number, mode: Probe['mode']): boolean =>
  mode === 'capacitance' ? figure < AIR_FARADS : figure === OPEN;

/** One more figure of the meter. */
export const follow = ({ last, isLifted }: Following, figure: number, mode: Probe['mode']): Following => ({
  last: [...last, figure].slice(-RUNNING),
  isLifted: isLifted || isAir(figure, mode),
});

/**
 * The reading, once so many figures running are alike; nothing before. Only of leads that were in the air since the probe was asked: else it may be that
 * of the probe before. And nothing is never taken for a reading by itself, since leads in the air show the same: an open is taken by hand.
 */
export function settled({ last, isLifted }: Following, mode: Probe['mode']): number | undefined {
  const [newest] = last.slice(-1);
  if (!isLifted || last.length < RUNNING || newest === undefined || last.some((each) => isAir(each, mode)))
    return undefined;
  const { share, least } = ALIKE[mode ?? 'ohms'];
  return Math.max(...last) - Math.min(...last) <= Math.max(least, share * newest) ? newest : undefined;
}

/** What the builder does now for the reading to come. */
export const sayFollowing = (following: Following, mode: Probe['mode']): string => {
  const [newest] = following.last.slice(-1);
  if (newest === undefined) return 'Waiting for the meter.';
  if (isAir(newest, mode)) return 'Touch both. Where it stays open, take it by hand.';
  return following.isLifted ? 'Hold still.' : 'Lift the leads first: this may be the reading before.';
};

/** When it came longer ago than this a figure is not of now, ms (from memory). */
export const STALE_MS = 2_000;
