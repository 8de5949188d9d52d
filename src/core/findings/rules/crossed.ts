import { isLive, sayChannel, type Miswiring } from '../../situation';
import { mendings } from '../mend';
import type { Rule } from '../types';
import { isLoudspeaker, sayBetween, sayRoles } from './say';

type Crossed = Extract<Miswiring, { readonly is: 'crossed' }>;

/** Whether what is exchanged are the two legs of the signal, so that only polarity changes. */
const onlyPolarity = ({ legs }: Crossed): boolean => legs.every(({ role }) => isLive(role));

function hearOf(each: Crossed): string {
  if (onlyPolarity(each))
    return isLoudspeaker(each.pair.out)
      ? 'By itself no difference; beside a loudspeaker that is wired right no bass, and a hole in the middle.'
      : 'By itself no difference; beside another microphone or channel of the same source thin and hollow: the two cancel.';
  return each.legs.some(({ role }) => role === 'return') && !each.legs.some(({ role }) => role === 'screen')
    ? 'Loud hum: the signal is on what should be ground, and is heard when it is touched.'
    : 'Loud hum and thin sound or none: the signal is on the screen.';
}

export const crossed: Rule = {
  id: 'crossed',
  what: 'Two roles of one link that arrive in each other’s place: polarity reversed, or worse.',
  source: 'AES14 for hot and cold (cited, from memory); common practice',
  find: (used) =>
    used.miswired.flatMap((each) => {
      if (each.is !== 'crossed') return [];
      const [one, other] = each.legs;
      return [
        {
          severity: 'stop' as const,
          says: `${sayRoles([one.role, other.role])} are exchanged between ${sayBetween(each.pair)}: ${one.from} gets to ${other.to}, and ${other.from} to ${one.to}.`.replace(
            /^./,
            (first) => first.toUpperCase(),
          ),
          because: onlyPolarity(each)
            ? `What swings up at ${sayChannel(each.pair.out)} swings down at ${sayChannel(each.pair.in)}: polarity is reversed.`
            : 'The signal goes where its ground belongs, and the ground where the signal belongs.',
          hear: hearOf(each),
          about: one.from,
          at: [one.from, other.to, other.from, one.to],
          remedies: mendings(used, each),
        },
      ];
    }),
};
