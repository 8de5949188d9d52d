import type { ProblemList } from '../core/quantity';

/** Every problem that the command says, by code. The sentence beside it where it arises names the field and the remedy. */
export const SHELL_PROBLEMS = {
  title: 'From a shell',
  codes: {
    'cli.file': 'No file named, or one that cannot be read.',
    'cli.json': 'No JSON.',
    'cli.lead': 'No lead file.',
    'cli.intent': 'No intent.',
    'cli.situation': 'A lead that does not say what its ends meet.',
    'cli.number': 'No number above 0.',
    'cli.contact': 'A contact that the lead does not have.',
    'cli.fault': 'A fault of Antler’s own.',
  },
} as const satisfies ProblemList;
