import type { ProblemList } from '../quantity';

/** Every problem that this room reports, by code. The sentence beside it where it arises names the field and the remedy. */
export const FILE_PROBLEMS = {
  title: 'Files',
  codes: {
    'file.not-antler': 'No Antler file.',
    'file.newer': 'Written by a newer Antler.',
    'file.version': 'A file that does not say its version.',
    'file.lead': 'A damaged lead.',
    'file.unit': 'A unit of a lead that the file does not have.',
    'proof.fault': 'A fault that a lead cannot have.',
    'proof.built': 'What was built is another lead.',
    'proof.probe': 'A reading of what is not asked of a lead.',
    'file.leads': 'A job with no list of leads.',
  },
} as const satisfies ProblemList;
