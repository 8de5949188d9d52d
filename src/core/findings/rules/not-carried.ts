import { isBalanced } from '../../catalogue';
import { sayChannel, type Miswiring } from '../../situation';
import { mendings } from '../mend';
import type { Rule } from '../types';
import { isLoudspeaker, sayOf, sayRole } from './say';

type Open = Extract<Miswiring, { readonly is: 'open' }>;

/** At a balanced input the screen only screens: the way back is the cold leg. Anywhere else it is the way back itself. */
const onlyScreens = ({ role, pair }: Open): boolean => role === 'screen' && isBalanced(pair.in.roles);

function hearOf(each: Open): string {
  const { role, pair } = each;
  if (onlyScreens(each))
    return pair.out.port.phantom === 'needs'
      ? 'No sound: the microphone gets no phantom.'
      : 'Hum and radio come in more easily; no sound from a microphone that needs phantom.';
  if (isLoudspeaker(pair.out)) return 'Nothing from the loudspeaker.';
  if (role === 'cold' && isBalanced(pair.in.roles))
    return pair.out.port.coldLeg === 'ground-referenced' || pair.out.port.coldLeg === 'cross-coupled'
      ? 'Half the level or less, with hum.'
      : 'Nothing, or thin and faint sound with hum.';
  if (role === 'return' || role === 'screen')
    return 'Loud hum, and thin sound or none: the signal has no way back but the mains earth.';
  return 'Nothing, or thin and faint sound with hum.';
}

export const linkNotCarried: Rule = {
  id: 'not-carried',
  what: 'What a lead was to carry and does not: nothing that is derived is so, but a change by hand, or a file, may be.',
  source: 'common practice',
  find: (used) =>
    used.miswired.flatMap((each) => {
      if (each.is !== 'open') return [];
      const { role, pair, from, to, lands } = each;
      return [
        {
          severity: onlyScreens(each) ? ('caution' as const) : ('stop' as const),
          says: lands
            ? `The ${sayRole(role)} of ${sayChannel(pair.out)} gets to ${lands.at}, ${sayOf(lands)}, and not to ${to}.`
            : `The ${sayRole(role)} does not get from ${sayChannel(pair.out)} to ${sayChannel(pair.in)}: ${from} is not joined to ${to}.`,
          because: onlyScreens(each)
            ? 'A screen that is open and meant to be joined screens at one end only, and takes the return of phantom with it.'
            : 'A signal needs its way there and its way back.',
          hear: hearOf(each),
          about: from,
          at: [from, to, ...(lands ? [lands.at] : [])],
          remedies: mendings(used, each),
        },
      ];
    }),
};
