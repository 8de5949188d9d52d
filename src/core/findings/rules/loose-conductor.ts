import { conductorsOf, conductorTerminal, joinedTerminals, sayTerminal } from '../../assembly';
import { capital } from '../../quantity';
import type { Rule } from '../types';

export const looseConductor: Rule = {
  id: 'loose-conductor',
  what: 'A core or a screen that is neither joined nor cut back.',
  source: 'common practice',
  find({ assembly }) {
    const dealtWith = new Set([...joinedTerminals(assembly), ...assembly.unjoined.map((each) => each.at)]);
    return assembly.spans.flatMap((span) =>
      conductorsOf(assembly, span).flatMap((conductor) =>
        [span.from, span.to]
          .map((body) => ({ at: conductorTerminal(span.id, conductor.id, body) }))
          .filter(({ at }) => !dealtWith.has(at))
          .map(({ at }) => ({
            severity: 'caution' as const,
            says: `${capital(sayTerminal(assembly, at))} is neither joined nor cut back.`,
            because: 'A bare end inside a shell finds a contact sooner or later.',
            hear: 'Nothing at first; then a crackle, a short, or no sound when the lead is bent.',
            about: at,
            remedies: [
              {
                says: 'Cut it back',
                change: { kind: 'edit' as const, edit: { kind: 'cut-back' as const, at } },
              },
            ],
          })),
      ),
    );
  },
};
