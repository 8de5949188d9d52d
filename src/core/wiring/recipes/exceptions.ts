import { isDirected } from '../../catalogue';
import { connect, linkShells, type Connecting } from '../connect';
import type { Draft } from '../draft';
import { lay } from '../lay';
import type { Ask } from '../types';
import { allOneToOne, isSpecial, lacksCable, other, practice } from './shape';
import { type Recipe, type Refusal, type Suits, wired } from './types';

const oneBalanced = (ask: Ask): boolean =>
  !isSpecial(ask) && ask.ends.length === 2 && ask.links.length === 1 && allOneToOne(ask, 'balanced');

/** A deliberate exception says so on itself, so that nobody takes it for a plain lead. */
const mark = (ask: Ask, says: string): Parameters<Draft['dress']>[0] => ({
  id: 'mark',
  what: 'ring',
  over: ask.form === 'lead' ? 'W1' : ask.form,
  says,
});

const exception = (
  id: string,
  name: string,
  says: string,
  suits: (ask: Ask) => Suits,
  how: Connecting = {},
  refuses?: readonly string[],
): Recipe => ({
  id,
  name,
  source: 'common practice',
  ...(refuses ? { refuses } : {}),
  suits: (ask) => (oneBalanced(ask) ? suits(ask) : other('It is for one balanced channel between two ends.')),
  lacks: lacksCable,
  wire(ask, d) {
    for (const run of lay(d, ask, ask.links)) connect(d, ask, run, how);
    d.dress(mark(ask, says));
    d.because(practice(`Marked on the lead: ${says}.`));
    linkShells(d, ask);
    return wired;
  },
});

export const turnaround = exception('turnaround', 'turnaround', 'turnaround', (ask) => {
  const [a, b] = ask.ends;
  return a &&
    b &&
    isDirected(a.intent.family) &&
    a.connector?.family === b.connector?.family &&
    a.connector?.gender === b.connector?.gender
    ? ask.ends.every((end) => end.port.direction === 'either')
      ? { is: 'right', why: 'The same gender at both ends, on purpose: it turns a line round.', rank: 1 }
      : {
          is: 'possible',
          why: 'The same gender at both ends turns a line round, and goes into none of the two that are named here without another.',
        }
    : other('It is for the same plug or socket at both ends.');
});

export const polarityReverse = exception(
  'polarity-reverse',
  'polarity reverse',
  'polarity reversed',
  () => ({ is: 'possible', why: 'Hot and cold change places, on purpose, at the receiving end.' }),
  {
    reversed: practice('Hot to cold and cold to hot at the receiving end: polarity is reversed on purpose.'),
  },
);

const phantom = (ask: Ask): Refusal | undefined => {
  const [link] = ask.links;
  return link && (link.in.port.phantom === 'gives' || link.out.port.phantom === 'needs')
    ? {
        id: 'lift-under-phantom',
        says: 'Phantom comes back along the screen: a screen lift stops it.',
        hear: 'Nothing, or a microphone that fades and crackles.',
        anyway: true,
      }
    : undefined;
};

export const screenLift = exception(
  'screen-lift',
  'screen lift',
  'screen lifted at the input end; stops phantom',
  (ask) => {
    const refusal = phantom(ask);
    return refusal
      ? { is: 'wrong', why: refusal.says, refusal }
      : {
          is: 'possible',
          why: 'The screen is open at the input end: it breaks a ground loop. Never lift a mains earth.',
        };
  },
  {
    lifted: practice(
      'The screen is left open at the input end, on purpose: it breaks a loop and stops phantom.',
    ),
  },
  ['lift-under-phantom'],
);
