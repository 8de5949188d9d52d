import { contactTerminal, type Because } from '../../assembly';
import { isBalanced } from '../../catalogue';
import type { Problem } from '../../quantity';
import type { ChannelPair } from '../../situation';
import type { Ask } from '../types';
import { isOneToOne } from '../links';
import { cableProblem } from '../lay';
import type { Refusal, Suits } from './types';

export type Kind = 'balanced' | 'unbalances' | 'balances' | 'unbalanced' | 'loudspeaker' | 'mismatched';

/** What a link's two sides make of it. */
export const kindOf = ({ out, in: to }: ChannelPair): Kind => {
  if ('plus' in out.roles || 'plus' in to.roles)
    return 'plus' in out.roles && 'plus' in to.roles ? 'loudspeaker' : 'mismatched';
  if (isBalanced(out.roles)) return isBalanced(to.roles) ? 'balanced' : 'unbalances';
  return isBalanced(to.roles) ? 'balances' : 'unbalanced';
};

/** Whether each channel goes to one other, and every link is of this kind. */
export const allOneToOne = (ask: Ask, kind: Kind): boolean =>
  ask.links.length > 0 && isOneToOne(ask.links) && ask.links.every((link) => kindOf(link) === kind);

/** Builds that have a recipe of their own, which the plain recipes leave alone. */
export const isSpecial = (ask: Ask): boolean =>
  ask.form === 'plug' ||
  ask.ends.some(
    (end) =>
      end.port.format === 'pickup' ||
      end.port.format === 'insert' ||
      end.port.format === 'probe' ||
      end.port.id === 'headphone-cups' ||
      end.intent.family === 'tail-pin',
  );

/** Does not suit, with why. */
export const other = (why: string): Suits => ({ is: 'other', why });

/** What keeps the cable from carrying these links, where something does. */
export const lacksCable = (ask: Ask): Problem | undefined => cableProblem(ask, ask.links);

/** A TS plug in a balanced output's TRS socket: its long sleeve grounds the ring. */
function tipAndSleeveAtOutput(ask: Ask): Refusal | undefined {
  const end = ask.ends.find(
    (each) => each.layout?.shorts && each.channels.some((channel) => channel.direction === 'sends'),
  );
  if (!end) return undefined;
  const kind = end.port.coldLeg;
  const shorted = kind === 'ground-referenced';
  return {
    id: 'ts-at-trs',
    says: `A TS plug in the TRS socket of a balanced output shorts its cold leg to ground${
      shorted
        ? ', and this output drives that leg against ground'
        : kind === 'cross-coupled'
          ? '; this output makes up for it, and clips about 6 dB sooner'
          : '; this output stands it'
    }. Use a TRS plug, and settle the cold leg in the wiring.`,
    hear: shorted
      ? 'Distortion on loud passages, a hot output stage, in time a dead one.'
      : 'Nothing wrong at once; the next output it is plugged into may not stand it.',
    anyway: !shorted,
  };
}

/** What is wrong whatever the recipe, where something is. */
export const wrongAnyway = (ask: Ask, suits: Suits): Suits => {
  const refusal = suits.is === 'right' || suits.is === 'possible' ? tipAndSleeveAtOutput(ask) : undefined;
  return refusal ? { is: 'wrong', why: refusal.says, refusal } : suits;
};

/** The terminal of a contact of an end. */
export const contact = (end: string, id: string | undefined): string => contactTerminal(end, id ?? '');

/** A reason from common practice. */
export const practice = (says: string): Because => ({ says, source: 'common practice' });
