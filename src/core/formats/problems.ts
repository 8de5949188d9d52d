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
    'break.twice': 'Two readings of one end.',
    'break.farads': 'A break without a capacitance.',
    'break.ohms': 'A short without a resistance that places it.',
    'break.per-metre': 'One capacitance, and not what a metre has.',
    'break.loop': 'One loop, and not what a metre of it has.',
    'break.span': 'A cable that the lead does not have, or none named of several.',
    'break.core': 'A core that the cable does not have.',
    'break.end': 'A side that is not made again at a bench.',
    'proof.fault': 'A fault that a lead cannot have.',
    'proof.built': 'What was built is another lead.',
    'proof.series': 'An end that no lead of the same kind goes on.',
    'proof.probe': 'A reading of what is not asked of a lead.',
    'file.leads': 'A job with no list of leads.',
  },
} as const satisfies ProblemList;
