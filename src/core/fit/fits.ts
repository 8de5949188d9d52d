import { bodyOfEnd, type Assembly } from '../assembly';
import { bundleInContact } from './pairs/bundle-in-contact';
import { bootOver } from './pairs/boot-over';
import { jacketInEntry } from './pairs/jacket-in-entry';
import { partsInShell } from './pairs/parts-in-shell';
import { pulledThrough } from './pairs/pulled-through';
import { shrinkOver } from './pairs/shrink-over';
import { socketInPanel } from './pairs/socket-in-panel';
import type { Fit, OnItsWay, Pair } from './types';

/** Every kind of pair that has to fit. One is added by its file and its line. */
export const PAIRS: readonly Pair[] = [
  jacketInEntry,
  bundleInContact,
  partsInShell,
  shrinkOver,
  bootOver,
  pulledThrough,
  socketInPanel,
];

const WORST: Readonly<Record<Fit['verdict'], number>> = { not: 0, tight: 1, measure: 2, fits: 3 };

/**
 * Everything that has to fit before anything is cut, what does not first; of an assembly with what is put on it, laid where it is.
 * An end that stays as it came fits already, but through a hole on the way.
 *
 *     fits(dressed(lead)).filter(({ verdict }) => verdict === 'not'); // → []
 */
export const fits = (assembly: Assembly, way: OnItsWay = {}): readonly Fit[] =>
  PAIRS.flatMap((pair) => pair.of(assembly, way))
    .filter(({ pair, at }) => pair === pulledThrough.id || !bodyOfEnd(assembly, at)?.asItCame)
    .sort((a, b) => WORST[a.verdict] - WORST[b.verdict]);
