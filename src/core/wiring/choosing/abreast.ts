import { cableOf, connectorOf, spansAt } from '../../assembly';
import { formatLength } from '../../quantity';
import type { Criterion } from './types';

/** How much more than it takes a boot closes over once it is opened up (from memory). */
const OPENED = 1.5;

export const abreast: Criterion = {
  id: 'abreast',
  what: 'Whether several of it go into one connector side by side.',
  source: 'cable range of the connector’s entry',
  judge({ assembly }) {
    const said = assembly.bodies.flatMap((body) => {
      const widths = spansAt(assembly, body.id).flatMap((span) =>
        span.carries ? [] : (cableOf(assembly, span)?.jacketMm ?? []),
      );
      const together = widths.reduce((sum, each) => sum + each, 0);
      return widths.length < 2
        ? []
        : body.ends.flatMap((end) => {
            const connector = connectorOf(assembly, end);
            if (!connector?.cableMm) return [];
            const { min, max } = connector.cableMm;
            return [
              {
                over: together / max,
                together,
                count: widths.length,
                takes: `${connector.name} takes ${min} to ${max} mm`,
              },
            ];
          });
    });
    const [worst] = said.sort((a, b) => b.over - a.over);
    if (!worst) return undefined;
    return worst.over > 1
      ? {
          grade: worst.over > OPENED ? 'wrong' : 'poor',
          says: `${worst.count} of it side by side are ${formatLength(worst.together)}, and the ${worst.takes}.`,
        }
      : {
          grade: 'fair',
          says: `${worst.count} of it lie side by side in one boot, whose clamp is made for one.`,
        };
  },
};
