import { school } from './types';

export const spareCores = school({
  id: 'spare-cores',
  question: 'What becomes of cores that the signal does not need?',
  choices: [
    {
      id: 'doubled',
      name: 'doubled up',
      gains: 'Half the resistance; a star quad keeps its rejection of fields.',
      costs: 'Two cores in one cup; more capacitance.',
    },
    {
      id: 'cut-back',
      name: 'cut back',
      gains: 'Less capacitance, one wire a contact.',
      costs: 'The cores are lost; a star quad becomes a plain pair.',
    },
    {
      id: 'spare',
      name: 'kept as spares, insulated',
      gains: 'A broken core can be replaced without new cable.',
      costs: 'Each stump needs its sleeve; a star quad becomes a plain pair.',
    },
  ],
  default: 'doubled',
  because: 'Opposite cores of a star quad only work joined; elsewhere a doubled core is a stronger one.',
  decides: 'wiring',
  source: 'common practice',
});
