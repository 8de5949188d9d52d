import { cableOf, connectorOf, spansAt } from '../../assembly';
import { formatLength } from '../../quantity';
import type { Rule } from '../types';

export const cablesAbreast: Rule = {
  id: 'cables-abreast',
  what: 'Two cables side by side in one boot.',
  source: 'cable range of the connector’s entry',
  find: ({ assembly }) =>
    assembly.bodies.flatMap((body) =>
      body.ends.flatMap((end) => {
        const connector = connectorOf(assembly, end);
        const widths = spansAt(assembly, body.id).flatMap((span) =>
          span.carries ? [] : (cableOf(assembly, span)?.jacketMm ?? []),
        );
        const together = widths.reduce((sum, width) => sum + width, 0);
        if (!connector?.cableMm || widths.length < 2 || together <= connector.cableMm.max) return [];
        return [
          {
            severity: 'caution' as const,
            says: `${widths.length} cables of ${formatLength(widths[0] ?? 0)} side by side are ${formatLength(together)}; the connector at end ${end.id} takes ${connector.cableMm.max} mm.`,
            because:
              'The boot closes over one cable: over several it has to be opened up, or the clamp left off.',
            hear: 'Nothing at first; then a break where nothing holds the cables.',
            about: end.id,
            remedies: [
              {
                says: 'Use the miniature pair',
                change: { kind: 'set' as const, path: 'cable', value: 'pair-mini' },
              },
            ],
          },
        ];
      }),
    ),
};
