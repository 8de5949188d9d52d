import { contactsOf, contactTerminal, joinedTerminals } from '../../assembly';
import type { Rule } from '../types';

export const emptyEnd: Rule = {
  id: 'empty-end',
  what: 'An end with nothing on it.',
  source: 'common practice',
  find: ({ assembly, situation, lead }) =>
    assembly.bodies.flatMap((body) => {
      const joined = joinedTerminals(assembly);
      // What has still to be identified is joined to nothing, and says so.
      const waits = (end: string): boolean => {
        const names = situation.channels.filter((each) => each.end === end).map((each) => each.name);
        return lead.because.leftOut.some(
          ({ out, in: into, role }) => role === 'hot' && (names.includes(out) || names.includes(into)),
        );
      };
      return body.ends
        .filter((end) => !waits(end.id))
        .filter((end) =>
          contactsOf(assembly, end).every((each) => !joined.has(contactTerminal(end.id, each))),
        )
        .map((end) => ({
          severity: 'stop' as const,
          says: `Nothing is joined to end ${end.id}.`,
          because: 'An end is there to be plugged in, and this one leads nowhere.',
          hear: 'Nothing.',
          about: end.id,
          at: contactsOf(assembly, end).map((each) => contactTerminal(end.id, each)),
          remedies: [],
        }));
    }),
};
