import {
  byName,
  contactsOf,
  contactTerminal,
  endsOf,
  ownerOf,
  type Assembly,
  type Net,
  type Terminal,
} from '../assembly';
import { channelNamed, type Situation } from '../situation';

/** Above this many nets at an end, each is measured against all the others joined together. */
export const MANY = 6;

/** A net with the contacts of it that a meter can be put on. */
export interface Reached {
  readonly net: Net;
  readonly on: readonly Terminal[];
}

/**
 * Nets in an order that hands like where there are many: channel by channel, and in each contact by contact of the end that has the fewest, where a hand
 * goes from connector to connector.
 */
export function byChannel(
  assembly: Assembly,
  situation: Situation | undefined,
  nets: readonly Reached[],
): readonly Reached[] {
  if (!situation || nets.length <= MANY) return nets;
  const places = new Map<Terminal, number>();
  for (const [n, { out, in: into }] of situation.links.entries())
    for (const channel of [channelNamed(situation, out), channelNamed(situation, into)])
      for (const contact of Object.values(channel?.roles ?? {})) {
        if (!channel || contact === undefined) continue;
        const terminal = contactTerminal(channel.end, contact);
        if (!places.has(terminal)) places.set(terminal, n);
      }
  const sizes = new Map(endsOf(assembly).map((end) => [end.id, contactsOf(assembly, end).length]));
  const sizeAt = (terminal: Terminal): number => sizes.get(ownerOf(terminal)) ?? Number.POSITIVE_INFINITY;
  const keyed = nets.map((net, n) => ({
    net,
    n,
    channel: Math.min(...net.on.map((each) => places.get(each) ?? Number.POSITIVE_INFINITY)),
    contact: [...net.on].sort((a, b) => sizeAt(a) - sizeAt(b) || byName(a, b))[0] ?? '',
  }));
  return keyed
    .sort((a, b) =>
      a.channel === b.channel
        ? a.channel === Number.POSITIVE_INFINITY
          ? a.n - b.n
          : byName(a.contact, b.contact)
        : a.channel - b.channel,
    )
    .map(({ net }) => net);
}
