import type { ProblemList } from '../quantity';

/** Every problem that this room reports, by code. The sentence beside it where it arises names the field and the remedy. */
export const LEAD_PROBLEMS = {
  title: 'The lead, and changes by hand',
  codes: {
    'lead.not-an-object': 'No JSON object.',
    'lead.newer': 'Written by a newer Antler.',
    'lead.deep': 'Nested deeper than any lead.',
    'lead.name': 'A lead with no name.',
    'lead.empty': 'A wiring in which nothing is joined.',
    'lead.not-carried': 'A wiring that does not carry a role of a link: judged by its nets.',
    'edit.kind': 'A kind of edit that there is not.',
    'edit.gone': 'What an edit names is not in the lead any more.',
    'edit.apart': 'Terminals of different bodies cannot meet.',
    'edit.existing': 'A joint that was there before is not ours to undo.',
    'edit.donor': 'That end cannot be one that stays as it came, from a donor lead.',
    'edit.lead': 'A lead of a part that there is not.',
    'edit.leads': 'A part with other leads in the place of one.',
    'edit.twice': 'An id that is there already.',
    'edit.contact': 'Another connector lacks a contact that is joined to something.',
    'edit.cores': 'Another cable lacks a core that is joined to something.',
    'edit.last': 'The only end of a lead cannot be taken off.',
    'lead.edits':
      'An edit that was made is missing, or a new one cannot be made, in a lead that has no intent.',
  },
} as const satisfies ProblemList;
