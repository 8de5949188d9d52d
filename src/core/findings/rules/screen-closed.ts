import { sayBetween } from './say';
import { mendings } from '../mend';
import { connectorOf, contactTerminal, endById } from '../../assembly';
import { channelNamed, groundTerminal } from '../../situation';
import type { Finding, LeadInUse, Rule } from '../types';

type Found = Omit<Finding, 'rule'>;

export const screenClosed: Rule = {
  id: 'screen-closed',
  what: 'A screen that was to be open at one end, and is joined at both.',
  source: 'the school or recipe that leaves it open',
  find: (used) => [...byShell(used), ...byContact(used)],
};

/** A screen that was left open at an end, and is on the shell there: through a panel that is the same ground. */
function byShell({ assembly, lead, netlist, situation }: LeadInUse): readonly Found[] {
  return lead.because.leftOut.flatMap(({ out, in: into, role, says }): readonly Found[] => {
    const [from, to] = [channelNamed(situation, out), channelNamed(situation, into)];
    const screen = from && groundTerminal(from);
    if (role !== 'screen' || !from || !to || screen === undefined) return [];
    const end = endById(assembly, to.end);
    const ground = groundTerminal(to);
    const shell = contactTerminal(to.end, 'shell');
    const net = netlist.netOf.get(screen);
    const isOnShell = end && connectorOf(assembly, end)?.shell && netlist.netOf.get(shell) === net;
    // Where its contact is joined too that is the one to say.
    if (!isOnShell || (ground !== undefined && netlist.netOf.get(ground) === net)) return [];
    return [
      {
        severity: 'caution',
        says: `The screen from end ${from.end} is open at end ${to.end} and on the shell there: plugged into a metal panel it is closed again.`,
        because: says,
        hear: 'The hum of a ground loop, which leaving it open was to stop.',
        about: shell,
        at: [screen, shell],
        remedies: [
          { says: 'Leave the shells open', change: { kind: 'set', path: 'schools.shell', value: 'open' } },
        ],
      },
    ];
  });
}

const byContact = (used: LeadInUse): readonly Found[] =>
  used.miswired.flatMap((each) =>
    each.is === 'closed'
      ? [
          {
            severity: 'caution' as const,
            says: `The screen goes through from ${each.from} to ${each.to}, and was to be open at one end.`,
            because: `${each.left.says} Between ${sayBetween(each.pair)} it is joined at both.`,
            hear: 'The hum of a ground loop, which leaving it open was to stop.',
            about: each.from,
            at: [each.from, each.to],
            remedies: mendings(used, each),
          },
        ]
      : [],
  );
