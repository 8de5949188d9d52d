import type { ProblemList } from '../core/quantity';

/** Every problem that the server answers, by code. The sentence beside it where it arises names the field and the remedy. */
export const SERVER_PROBLEMS = {
  title: 'Over HTTP',
  codes: {
    'not-found': 'What is asked for is not there.',
    internal: 'A fault of Antler’s own; it is in the log.',
    'path.unknown': 'Nothing at this address.',
    'path.method': 'A method that this address does not take; Allow names those it does.',
    'path.unreadable': 'An address that cannot be read.',
    request: 'Something that is no request, or came too slowly.',
    stopping: 'Antler is being stopped; nothing was recorded.',
    'path.id': 'An id in the address that is none.',
    'id.taken': 'An id under which something else was recorded before.',
    'query.after': 'A place in the address that is none.',
    'query.job': 'A job in the address that is none.',
    'query.find': 'Something looked for that no text has in it.',
    'reading.probe': 'A reading of contacts that the lead does not have.',
    'reading.after': 'A reading that follows a mending that is not recorded.',
    'body.json': 'No JSON.',
    'body.type': 'Not sent as JSON.',
    'body.large': 'More than may be sent at once.',
    'body.cut': 'A body that was cut off.',
    'database.away':
      'The database does not answer, or cannot do it now; what is known of what was sent is said beside it.',
    'database.full': 'The disk of the database is full.',
    'database.busy': 'Two changes got into each other’s way, twice.',
    'body.deep': 'Nested deeper than anything of ours.',
    'body.text': 'A character that no text has: NUL, or half of a pair.',
    'body.number': 'A number beyond what can be counted with.',
    'guard.host': 'Served under another name.',
    'guard.origin': 'A change from another page than ours.',
    'job.built': 'Taking out a job of which a lead was started.',
    'lead.built': 'Taking out a lead of which a unit was started.',
    'lead.changed': 'The lead was changed elsewhere since it was opened.',
    'import.unknown': 'A file that names what the catalogue does not have.',
  },
} as const satisfies ProblemList;
