import { bad, good, type Problem, type Result } from '../../quantity';
import type { ChannelPair } from '../../situation';
import type { Ask } from '../types';
import type { Draft } from '../draft';

/** Something a recipe has to be told, with what it takes where nothing is said. */
export interface Choice {
  readonly id: string;
  readonly question: string;
  readonly options: Readonly<Record<string, string>>;
  readonly default: string;
  /** Why the default is what it is. */
  readonly because: string;
}

/** A reason why a way of wiring is wrong, and whether a competent person may have it anyway. */
export interface Refusal {
  readonly id: string;
  readonly says: string;
  /** What you would hear, or what becomes of the equipment. */
  readonly hear: string;
  readonly anyway: boolean;
}

/** Whether a recipe suits what is asked, and why. */
export type Suits =
  | { readonly is: 'right'; readonly why: string; readonly rank?: number }
  /** It can be done, but something else is usually meant. */
  | { readonly is: 'possible'; readonly why: string }
  | { readonly is: 'wrong'; readonly why: string; readonly refusal: Refusal }
  | { readonly is: 'other'; readonly why: string };

/** A way of wiring one kind of lead. */
export interface Recipe {
  readonly id: string;
  readonly name: string;
  readonly source: string;
  readonly suits: (ask: Ask) => Suits;
  /** What stands in the way where it suits and one thing can be mended: too few cores, for instance. */
  readonly lacks?: (ask: Ask) => Problem | undefined;
  readonly asks?: (ask: Ask) => readonly Choice[];
  /** Puts the lead together, for an ask that it suits and that lacks nothing; or says why it cannot. */
  readonly wire: (ask: Ask, d: Draft) => Result<true>;
  /** Refusals that it may give and a builder may overrule. */
  readonly refuses?: readonly string[];
  /** Other uses of the same lead: what each is called, and what sends to what in it. */
  readonly uses?: (ask: Ask) => readonly { readonly name: string; readonly links: readonly ChannelPair[] }[];
}

/** The lead is put together. */
export const wired: Result<true> = good(true);
/** It cannot be put together after all, and why. */
export const cannot = (says: string, path = 'intent'): Result<true> => bad('wiring.cannot', says, path);

/** The answer to one of a recipe's choices: what the intent says where that is one of the options, else the default. */
export const answer = (ask: Ask, { id, options, default: usual }: Choice): string => {
  const given = ask.intent.choices?.[id];
  return given !== undefined && given in options ? given : usual;
};
