import { ownerOf, placeOf, type Assembly, type Body } from '../../assembly';
import type { ConnectorEntry } from '../../catalogue';
import { formatLength, sayList } from '../../quantity';
import { lengthSystem } from '../../wiring';
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

const isOfCups = ({ contacts }: ConnectorEntry): boolean => contacts.some(({ takes }) => takes === 'cup');

/** Whether its cups get no solder before the wire comes: it brings its own. */
export const comesOnWire = (connector: ConnectorEntry, { contacts, cups }: Workplace['schools']): boolean =>
  isOfCups(connector) &&
  contacts !== 'plain' &&
  (cups === 'on-wire' || (cups === 'plugs-only' && connector.gender === 'socket'));

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
          ...(schools['flux'] === 'extra' ? ['A touch of rosin flux on the strands first.'] : []),
          'Just enough: solder wicked up the strands makes a stiff place that breaks.',
          'Rosin only, never acid flux.',
          ...(MELTS[schools['solder'] ?? ''] ? [MELTS[schools['solder'] ?? ''] ?? ''] : []),
        ],
        caution: FUMES,
      }));

/** Filling cups and tinning lugs. */
export const tinContacts = ({ body, end, connector, schools }: Workplace): readonly Operation[] =>
  screws(connector) || schools['contacts'] === 'plain' || comesOnWire(connector, schools)
    ? []
    : [
        {
          id: `tin-contacts-${end.id}`,
          kind: 'tin contacts',
          end: end.id,
          title: `Tin the contacts of ${sayEnd({ body, end })}`,
          detail: [
            !isOfCups(connector)
              ? 'A thin coat on each tab.'
              : schools['cups'] === 'brim'
                ? 'Fill the cups to the brim, never over: what the wire displaces must not reach the next cup.'
                : 'Fill the cups slightly under, never over.',
            ...(schools['flux'] === 'extra' ? ['A touch of rosin flux in each first.'] : []),
            'Hotter and shorter beats cooler and longer.',
          ],
          caution: FUMES,
        },
      ];

/** Whether conductors are cut to their length when they are tinned. */
export const isCutTinned = (connector: ConnectorEntry, schools: Workplace['schools']): boolean =>
  schools['trim-order'] === 'tin-first' && !screws(connector);

/** Where conductors are tinned as they are: then all of them are cut to one length. */
export const blunt = ({
  assembly,
  body,
  end,
  connector,
  strips,
  schools,
}: Workplace): readonly Operation[] =>
  !isCutTinned(connector, schools)
    ? []
    : strips.flatMap((each): Operation[] => {
        const bared = each.conductors.filter(({ bareMm }) => bareMm > 0);
        if (bared.length === 0) return [];
        const system = lengthSystem(schools);
        return [
          {
            id: `blunt-${end.id}-${each.span}`,
            kind: 'blunt',
            end: end.id,
            title: `Cut the tinned conductors${ofSpan(assembly, body.id, each.span)} at end ${end.id} blunt`,
            detail: [
              `Tinned ends ${sayList([...new Set(bared.map(({ bareMm }) => formatLength(bareMm, system)))])} long, square, no strand standing out.`,
            ],
            caution: 'Clippings fly: eye protection.',
          },
        ];
      });
