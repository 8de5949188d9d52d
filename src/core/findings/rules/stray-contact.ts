import { memberOf, placeOf, type Terminal } from '../../assembly';
import { isMeasured } from '../../catalogue';
import { isLive } from '../../situation';
import { mendings } from '../mend';
import type { LeadInUse, Rule } from '../types';
import { earthsChassis } from './ground-loop';
import { sayOf } from './say';

/** Whether a contact meets nothing but a shell and the loose wire that is that shell’s own. */
function isShellTail({ assembly, netlist }: LeadInUse, contact: Terminal): boolean {
  const contacts = netlist.netOf.get(contact)?.contacts ?? [];
  const isLoose = (at: Terminal): boolean => {
    const place = placeOf(assembly, at);
    return place?.kind === 'contact' && place.end.loose !== undefined;
  };
  return (
    contacts.length === 2 &&
    contacts.some(isLoose) &&
    contacts.some((at) => !isLoose(at) && memberOf(at) === 'shell')
  );
}

export const strayContact: Rule = {
  id: 'stray-contact',
  what: 'A contact that nothing is meant to be on, joined to something that is carried.',
  source: 'common practice',
  find: (used) =>
    used.miswired.flatMap((each) => {
      if (each.is !== 'stray') return [];
      const { contact, with: met } = each;
      const live = met !== undefined && isLive(met.role);
      const shell = memberOf(contact) === 'shell';
      // Whether a shell is joined to the screen is a school of its own.
      if (shell && met && !live) return [];
      // On the meter nothing is plugged in that might use it for something else.
      if (met && isMeasured(met.channel.port)) return [];
      // The earth wire of a chassis is another rule’s.
      if (met && !live && earthsChassis(used, contact)) return [];
      const place = placeOf(used.assembly, contact);
      // A shell that has a tail of its own is joined, or not, where that is tried.
      if (!met && isShellTail(used, contact)) return [];
      // What goes under a screw of the chassis is no contact that anything is plugged into.
      if (!met && place?.kind === 'contact' && place.end.loose?.some(({ finish }) => finish === 'ring'))
        return [];
      const end = place?.kind === 'contact' ? place.end.id : contact;
      const screen = used.netlist.netOf
        .get(contact)
        ?.terminals.map((at) => placeOf(used.assembly, at))
        .flatMap((at) => (at?.kind === 'conductor' && at.conductor.is !== 'core' ? at.conductor.is : []))[0];
      return [
        {
          severity: live ? ('stop' as const) : ('caution' as const),
          says: met
            ? shell
              ? `The shell of end ${end} carries ${sayOf(met)}.`
              : `${contact} is joined to ${sayOf(met)}, and nothing is meant to be on it.`
            : shell && screen !== undefined
              ? `The shell of end ${end} has the ${screen} on it, and no contact has.`
              : `${contact} has something on it, and nothing is meant to be.`,
          because: shell
            ? 'A shell meets the shell it is plugged into, and whatever it lies on.'
            : 'What is plugged in may use that contact for something else.',
          hear: shell
            ? 'Hum, crackle or nothing, as the shell touches metal.'
            : 'Nothing with one device; hum, a short or no sound with the next.',
          about: contact,
          at: [contact, ...(met ? [met.at] : [])],
          remedies: mendings(used, each),
        },
      ];
    }),
};
