import type { ProblemList } from '../quantity';

/** Every problem that this room reports, by code. The sentence beside it where it arises names the field and the remedy. */
export const PROVING_PROBLEMS = {
  title: 'The house’s meter',
  codes: {
    'meter.volts': 'No volts on open leads, or less in the highest range than in the lowest.',
    'meter.diode': 'A diode test that reaches no volts.',
    'meter.leads': 'Leads of no ohms.',
    'meter.beeper': 'A beeper that beeps at no ohms.',
  },
} as const satisfies ProblemList;
