import { ownerOf, placeOf, type Assembly, type Body } from '../../assembly';
import type { ConnectorEntry } from '../../catalogue';
import { ofSpan } from '../hand';
import type { Operation, Workplace } from '../types';
import { sayEnd } from './at';

const FUMES = 'Hot iron. Extract the rosin fumes, don’t breathe them.';

/** Under a screw or in a crimp strands stay bare: solder creeps, and the contact loosens and heats. */
const screws = (connector: ConnectorEntry): boolean =>
  connector.contacts.every((contact) => contact.takes === 'screw');

/** Whether conductors of a cable share a contact with others. */
const sharing = (assembly: Assembly, body: Body, span: string): boolean =>
  body.joints.some(({ terminals }) => {
    const wires = terminals.filter((each) => placeOf(assembly, each)?.kind === 'conductor');
    return wires.length > 1 && wires.some((each) => ownerOf(each) === span);
  });

const MELTS: Readonly<Record<string, string>> = {
  'lead-free': 'Lead-free melts at 217 to 227 °C, and a sound joint looks duller than tin–lead.',
  silver: 'Silver-bearing solder melts at 179 °C.',
};

/** Tinning what is soldered. */
export const tinCores = ({
  assembly,
  body,
  end,
  connector,
  strips,
  schools,
}: Workplace): readonly Operation[] =>
  screws(connector)
    ? []
    : strips.map((each) => ({
        id: `tin-cores-${end.id}-${each.span}`,
        kind: 'tin cores',
        end: end.id,
        title: `Tin the conductors${ofSpan(assembly, body.id, each.span)} at end ${end.id}`,
        detail: [
          ...(sharing(assembly, body, each.span)
            ? ['Those that share a contact are twisted together first, then tinned as one.']
            : []),
          'Just enough: solder wicked up the strands makes a stiff place that breaks.',
          'Rosin only, never acid flux.',
          ...(MELTS[schools['solder'] ?? ''] ? [MELTS[schools['solder'] ?? ''] ?? ''] : []),
        ],
        caution: FUMES,
      }));

/** Filling cups and tinning lugs. */
export const tinContacts = ({ body, end, connector, schools }: Workplace): readonly Operation[] =>
  screws(connector) || schools['contacts'] === 'plain'
    ? []
    : [
        {
          id: `tin-contacts-${end.id}`,
          kind: 'tin contacts',
          end: end.id,
          title: `Tin the contacts of ${sayEnd({ body, end })}`,
          detail: [
            connector.contacts.some((contact) => contact.takes === 'cup')
              ? 'Fill the cups slightly under, never over.'
              : 'A thin coat on each tab.',
            'Hotter and shorter beats cooler and longer.',
          ],
          caution: FUMES,
        },
      ];
