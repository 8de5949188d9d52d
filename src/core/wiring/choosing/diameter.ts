import { cableOf, connectorOf, spansAt } from '../../assembly';
import { formatLength } from '../../quantity';
import type { Grade } from './reason';
import type { Criterion } from './types';

interface Fit {
  readonly grade: Grade;
  readonly says: string;
}

export const diameter: Criterion = {
  id: 'diameter',
  what: 'Whether it goes into these connectors, and is gripped by them.',
  source: 'cable range of the connector’s entry',
  judge({ assembly, cable }) {
    const fits = assembly.bodies.flatMap((body) =>
      body.ends.flatMap((end): readonly Fit[] => {
        const connector = connectorOf(assembly, end);
        const widths = spansAt(assembly, body.id).flatMap((span) =>
          span.carries ? [] : (cableOf(assembly, span)?.jacketMm ?? []),
        );
        if (!connector?.cableMm || widths.length === 0) return [];
        const { min, max } = connector.cableMm;
        const widest = Math.max(...widths);
        const takes = `${connector.name} takes ${min} to ${max} mm`;
        if (widest > max)
          return [{ grade: 'wrong', says: `It is ${formatLength(widest)} thick, and the ${takes}.` }];
        // Of several in one boot the clamp grips none as it is made to.
        if (widths.length > 1) return [];
        if (connector.bestFor !== undefined && !connector.groundFirst)
          return [
            {
              grade: 'poor',
              says: `It is ${formatLength(widest)} thick: of these connectors only the ${connector.name} takes it, and it hangs heavily on the socket.`,
            },
          ];
        return widest < min
          ? [
              {
                grade: 'poor',
                says: `It is ${formatLength(widest)} thick, and the ${takes}: turns of shrink have to make up for it.`,
              },
            ]
          : [];
      }),
    );
    const order: readonly Grade[] = ['good', 'fair', 'poor', 'wrong'];
    const [worst] = fits.sort((a, b) => order.indexOf(b.grade) - order.indexOf(a.grade));
    if (worst) return worst;
    const asked = assembly.bodies.some((body) =>
      body.ends.some((end) => connectorOf(assembly, end)?.cableMm),
    );
    return asked && cable.jacketMm !== undefined
      ? { grade: 'good', says: `Its ${formatLength(cable.jacketMm)} go into every connector here.` }
      : undefined;
  },
};
