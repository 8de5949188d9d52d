import { connectorOf, contactsOf, contactTerminal, endsOf, memberOf } from '../../assembly';
import { isMeasured } from '../../catalogue';
import { sayList } from '../../quantity';
import type { Finding, Rule } from '../types';

/** A plug that is to join every contact of the end that it is on, to the meter. */
export const shortingPlug: Rule = {
  id: 'shorting-plug',
  what: 'A shorting plug that leaves a contact out, or takes the shell in.',
  source: 'common practice',
  find({ assembly, situation, netlist }): readonly Omit<Finding, 'rule'>[] {
    const [end, ...others] = endsOf(assembly);
    if (!end || others.length > 0 || !situation.channels.some(({ port }) => isMeasured(port))) return [];
    const all = contactsOf(assembly, end).map((contact) => contactTerminal(end.id, contact));
    const [contacts, shell] = [
      all.filter((each) => memberOf(each) !== 'shell'),
      all.find((each) => memberOf(each) === 'shell'),
    ];
    const isBonded = connectorOf(assembly, end)?.bonded?.some((each) => each.includes('shell')) ?? false;
    const together = (at: string): readonly string[] =>
      contacts.filter((each) => netlist.netOf.get(each) === netlist.netOf.get(at));
    const [most = []] = contacts.map(together).sort((a, b) => b.length - a.length);
    const out = contacts.filter((each) => !most.includes(each));
    const names = sayList(out.map(memberOf));
    return [
      ...(out.length > 0
        ? [
            {
              severity: 'stop' as const,
              says: `${out.length > 1 ? `Contacts ${names} are` : `Contact ${names} is`} not joined to the others, and a shorting plug joins them all.`,
              because: 'On the far end of a lead it brings every core back to the meter.',
              hear: 'A good core that ends there reads open.',
              about: out[0] ?? end.id,
              at: out,
              remedies: [],
            },
          ]
        : []),
      // Where it is a contact of the connector’s own there is nothing to leave apart.
      ...(shell !== undefined && !isBonded && together(shell).length > 0
        ? [
            {
              severity: 'caution' as const,
              says: `The shell is joined to ${sayList(together(shell).map(memberOf))}.`,
              because: 'A shell that is left apart shows on the meter where it touches a core.',
              hear: 'A shell that touches a core is not told from one that does not.',
              about: shell,
              at: [shell],
              remedies: [],
            },
          ]
        : []),
    ];
  },
};
