import { connectorOf, endsOf, netlist, ownerOf, type Assembly, type End } from '../assembly';
import { otherGender, type ConnectorEntry } from '../catalogue';
import type { Probe } from './check';
import { shortedBy } from './pieces';
import { loopProbe, openFor } from './probe';

/** What a plug goes into, or a socket onto: its family, and which of the two it is. */
const matingOf = ({ family, gender }: Pick<ConnectorEntry, 'family' | 'gender'>): string =>
  `${family} ${gender}`;

/**
 * What a lead shorts whose every contact is on one metal, and nothing else: `xlr3 socket`. Nothing of a lead that is no shorting plug.
 */
export function shortingPlugOf(assembly: Assembly): string | undefined {
  const [end, ...others] = endsOf(assembly);
  const connector = end && connectorOf(assembly, end);
  if (!connector || others.length > 0 || assembly.spans.length > 0) return undefined;
  const { netOf } = netlist(assembly);
  const nets = new Set(shortedBy(assembly, end).map((contact) => netOf.get(contact)));
  return nets.size === 1 && connector.contacts.length > 1 ? matingOf(connector) : undefined;
}

/** The ends of a lead that one of these shorting plugs goes on. */
export const shortableEnds = (assembly: Assembly, plugs: readonly string[]): readonly End[] =>
  endsOf(assembly).filter((end) => {
    const connector = connectorOf(assembly, end);
    const gender = connector && otherGender(connector.gender);
    return (
      connector !== undefined && gender !== undefined && plugs.includes(matingOf({ ...connector, gender }))
    );
  });

/**
 * From one end, with all contacts of the other on one metal: whether a core comes out there at all, on whatever contact. Each against the first, and
 * against the second, in case it is the first that fails.
 */
export function loopsIn(assembly: Assembly, plugs: readonly string[]): readonly Probe[] {
  if (plugs.length === 0) return [];
  const { nets } = netlist(assembly);
  return shortableEnds(assembly, plugs).flatMap((end) => {
    const there = new Set(shortedBy(assembly, end));
    const near = nets.flatMap(({ contacts }) =>
      contacts.some((contact) => there.has(contact))
        ? contacts
            .filter((contact) => ownerOf(contact) !== end.id && openFor(assembly, contact) === undefined)
            .slice(0, 1)
        : [],
    );
    const [first, second, ...others] = near;
    if (first === undefined || second === undefined) return [];
    return [
      loopProbe(assembly, second, first, end.id),
      ...[first, second].flatMap((to) => others.map((from) => loopProbe(assembly, from, to, end.id))),
    ];
  });
}
