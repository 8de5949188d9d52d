import { conductorsOf, conductorTerminal } from '../../assembly';
import type { Criterion } from './types';

export const spareCores: Criterion = {
  id: 'spare-cores',
  what: 'Cores that have nothing to do.',
  source: 'by the wiring',
  judge({ assembly, cable }) {
    const joined = new Set(
      assembly.bodies.flatMap(({ joints, existing }) =>
        [...joints, ...(existing ?? [])].flatMap(({ terminals }) => terminals),
      ),
    );
    const cores = assembly.spans
      .filter(({ carries }) => !carries)
      .flatMap((span) =>
        conductorsOf(assembly, span)
          .filter(({ is }) => is === 'core')
          .map(({ id }) => [span, id] as const),
      );
    const idle = cores.filter(([span, id]) => {
      const ends = [span.from, span.to].map((body) => conductorTerminal(span.id, id, body));
      return !ends.some((at) => joined.has(at));
    });
    if (idle.length === 0) return undefined;
    const of = idle.length === cores.length ? 'All' : idle.length === 1 ? 'One' : `${idle.length}`;
    return {
      grade: idle.length > 2 ? 'poor' : 'fair',
      says: `${of} of its ${cores.length} cores ${idle.length === 1 ? 'has' : 'have'} nothing to do${cable.kind === 'multipair' && idle.length > 2 ? ': a smaller multipair is enough' : ''}.`,
    };
  },
};
