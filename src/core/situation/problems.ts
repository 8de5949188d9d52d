import type { ProblemList } from '../quantity';

/** Every problem that this room reports, by code. The sentence beside it where it arises names the field and the remedy. */
export const SITUATION_PROBLEMS = {
  title: 'A situation',
  codes: {
    'situation.not-an-object': 'No JSON object.',
    'situation.newer': 'Written by a newer Antler.',
    'situation.deep': 'Nested deeper than any situation.',
    'situation.end': 'A channel on an end that the lead does not have.',
    'situation.contact': 'A role on a contact that the end does not have.',
    'situation.link': 'A link to a channel that is not there.',
    'situation.direction': 'A link that does not go from what sends to what receives.',
    'situation.twice': 'Two channels of one name.',
  },
} as const satisfies ProblemList;
