import { bodyOfEnd, dressingsOver, spansAt, type Assembly, type Dressing } from '../../assembly';
import { enteringMm } from '../sizes';
import { figure, verdictOf, type Fit, type Pair } from '../types';

/** The body whose cable a boot of its own lies on. */
const bodyUnder = (assembly: Assembly, { over, at }: Dressing): string =>
  at ?? bodyOfEnd(assembly, over)?.id ?? over;

/** A boot of its own, beside the one that a connector brings, over the cable with the sleeving that is on it. */
export const bootOver: Pair = {
  id: 'boot-over',
  what: 'A boot over the jacket and its sleeving.',
  source: 'the boot’s bore against jacket and two walls of sleeving (handbook, section 8)',
  of: (assembly) =>
    assembly.dressings.flatMap((dressing): Fit[] => {
      if (dressing.what !== 'boot' || !dressing.size) return [];
      const body = bodyUnder(assembly, dressing);
      const [span] = spansAt(assembly, body).filter(
        ({ id }) => id === dressing.over || !assembly.spans.some((each) => each.id === dressing.over),
      );
      const has = span && enteringMm(assembly, span, body);
      if (span === undefined || has === undefined) return [];
      const marginMm = dressing.size.suppliedMm - has;
      const sleeved = dressingsOver(assembly, span.id).some(({ what }) => what === 'expandable-sleeve');
      return [
        {
          id: `boot-${dressing.id}`,
          pair: 'boot-over',
          at: body,
          says: `Boot ${dressing.says}`,
          has: `${figure(has)} in it${sleeved ? ', two walls of sleeving with it' : ''}`,
          takes: figure(dressing.size.suppliedMm),
          marginMm,
          verdict: verdictOf(marginMm),
          ...(marginMm < 0
            ? {
                todo: sleeved
                  ? 'End the sleeving before the boot and put shrink over its end, or take a larger boot.'
                  : 'A larger boot, or a thinner cable.',
              }
            : {}),
        },
      ];
    }),
};
