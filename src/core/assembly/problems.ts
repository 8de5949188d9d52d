import type { ProblemList } from '../quantity';

/** Every problem that this room reports, by code. The sentence beside it where it arises names the field and the remedy. */
export const ASSEMBLY_PROBLEMS = {
  title: 'The assembly',
  codes: {
    'assembly.not-an-object': 'No JSON object.',
    'assembly.newer': 'Written by a newer Antler.',
    'assembly.deep': 'Nested deeper than any lead.',
    'reference.twice': 'An id is used for two things.',
    'reference.body': 'A body that is not there.',
    'reference.cable': 'A cable that is not among those the lead carries.',
    'reference.conductor': 'A conductor that the cable does not have.',
    'reference.connector': 'A connector that is not among those the lead carries.',
    'reference.dressing': 'A dressing over something that is not there.',
    'reference.elsewhere': 'A joint that reaches out of its body.',
    'reference.joined': 'A conductor that is joined and left at once.',
    'reference.length': 'A length between what is not there.',
    'reference.loop': 'A span from a body to itself.',
    'reference.span': 'A span that does not come to this body.',
    'reference.terminal': 'A terminal that the lead does not have.',
  },
} as const satisfies ProblemList;
