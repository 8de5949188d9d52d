import { isLive, partnersOf, sayChannel, withinEnd, type Miswiring } from '../../situation';
import { mendings } from '../mend';
import type { Rule } from '../types';
import { isLoudspeaker, sayRole, sayRoles } from './say';

type Exchanged = Extract<Miswiring, { readonly is: 'exchanged' }>;

const names = ({ pairs: [one, other] }: Exchanged): readonly string[] =>
  [one.out, one.in, other.out, other.in].map((each) => each.label || withinEnd(each));

/** Whether all that is live of two channels is exchanged: what is left is only where their screens are. */
const isWhole = ({ whole, legs, pairs: [one] }: Exchanged): boolean =>
  whole ||
  partnersOf(one)
    .filter(({ role }) => isLive(role))
    .every(({ role }) => legs.flat().some((leg) => leg.role === role));

function hearOf(each: Exchanged): string {
  const all = names(each);
  if (!each.legs.flat().some(({ role }) => isLive(role)))
    return 'More hum, and each channel a little in the other.';
  if (all.includes('send') && all.includes('return'))
    return 'Nothing comes back: what is sent meets what sends.';
  if (!isWhole(each))
    return isLoudspeaker(each.pairs[0].out)
      ? 'Each loudspeaker plays the other channel, or both play thin and neither its own, as the amplifier’s two minus legs lie.'
      : 'Both channels thin, with hum and with each other in them.';
  return all.includes('left') && all.includes('right')
    ? 'Left and right have changed sides.'
    : 'Each is heard where the other belongs.';
}

export const exchanged: Rule = {
  id: 'exchanged',
  what: 'Two channels that arrive in each other’s place, or some of their roles.',
  source: 'common practice',
  find: (used) =>
    used.miswired.flatMap((each) => {
      if (each.is !== 'exchanged') return [];
      const [one, other] = each.pairs;
      const roles = [...new Set(each.legs.flat().map(({ role }) => role))];
      const live = roles.some(isLive);
      const [first] = each.legs;
      return [
        {
          severity: live ? ('stop' as const) : ('caution' as const),
          says:
            one.out.end === other.in.end && one.out.end !== one.in.end
              ? `${sayChannel(one.out)} and ${sayChannel(other.in)} have changed places at end ${one.out.end}: each is on the contact of the other.`
              : isWhole(each)
                ? `${sayChannel(one.out)} arrives at ${sayChannel(other.in)}, and ${sayChannel(other.out)} at ${sayChannel(one.in)}: they have changed places${each.whole ? '' : ', all but their screens'}.`
                : first && each.legs.length === 1
                  ? `The ${sayRole(first[0].role)} of ${sayChannel(one.out)} and the ${sayRole(first[1].role)} of ${sayChannel(other.out)} have changed places.`
                  : `The ${sayRoles(roles)} of ${sayChannel(one.out)} and of ${sayChannel(other.out)} have changed places.`,
          because: isWhole(each)
            ? 'Each channel is meant to reach its own.'
            : 'What belongs to one channel goes with another: neither has its way there and back in its own pair.',
          hear: hearOf(each),
          about: first?.[0].from ?? '',
          at: each.legs.flatMap((legs) => legs.flatMap(({ from, to }) => [from, to])),
          remedies: mendings(used, each),
        },
      ];
    }),
};
