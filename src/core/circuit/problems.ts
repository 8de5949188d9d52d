import type { ProblemList } from '../quantity';

/** Every problem that this room reports, by code. The sentence beside it where it arises names the field and the remedy. */
export const CIRCUIT_PROBLEMS = {
  title: 'Circuits and SPICE decks',
  codes: {
    'circuit.value': 'A value that an element cannot have.',
    'circuit.twice': 'Two elements of one name.',
    'circuit.source-loop': 'A ring of elements that each insist on a voltage.',
    'circuit.current-cut': 'A current with no way back.',
    'circuit.singular': 'A node that nothing holds, or a current that cannot be told.',
    'circuit.no-convergence': 'Diodes that do not settle.',
    'circuit.frequency': 'A frequency that is not above 0 Hz.',
    'circuit.source': 'A source that is not in the circuit.',
    'deck.unsupported': 'A card, or a word on one, that is not read.',
    'deck.value': 'A number that is missing, unreadable or out of range.',
    'deck.words': 'A card with too few words.',
    'deck.model': 'A model that no card gives.',
    'deck.vector': 'Something printed that is not in the circuit.',
    'deck.size': 'A deck with more cards than are read.',
    'deck.floating': 'A node that nothing which conducts joins to ground.',
    'deck.empty': 'A deck with no element.',
  },
} as const satisfies ProblemList;
