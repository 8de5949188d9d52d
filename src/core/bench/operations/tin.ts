import type { Operation, Workplace } from '../types';

const FUMES = 'Hot iron. Extract the rosin fumes, don’t breathe them.';

export const tinCores = ({ end, strips }: Workplace): readonly Operation[] =>
  strips.map((each) => ({
    id: `tin-cores-${end.id}-${each.span}`,
    kind: 'tin cores',
    end: end.id,
    title: `Tin the conductors at end ${end.id}`,
    detail: [
      'Just enough: solder wicked up the strands makes a stiff place that breaks.',
      'Rosin only, never acid flux.',
    ],
    caution: FUMES,
  }));

export const tinContacts = ({ end, connector }: Workplace): readonly Operation[] => [
  {
    id: `tin-contacts-${end.id}`,
    kind: 'tin contacts',
    end: end.id,
    title: `Tin the contacts of end ${end.id}`,
    detail: [
      connector.contacts.some((contact) => contact.takes === 'cup')
        ? 'Fill the cups slightly under, never over.'
        : 'A thin coat on each tab.',
      'Hotter and shorter beats cooler and longer.',
    ],
    caution: FUMES,
  },
];
