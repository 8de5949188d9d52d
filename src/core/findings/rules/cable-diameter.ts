import { cableOf, connectorOf, spansAt } from '../../assembly';
import { CABLES } from '../../catalogue';
import { formatLength } from '../../quantity';
import type { Rule } from '../types';

export const cableDiameter: Rule = {
  id: 'cable-diameter',
  what: 'A jacket that the connector does not take, too fat or too thin.',
  source: 'cable range of the connector’s entry',
  find: ({ assembly }) =>
    assembly.bodies.flatMap((body) =>
      body.ends.flatMap((end) => {
        const range = connectorOf(assembly, end)?.cableMm;
        if (!range) return [];
        // Beyond a break-out only a pair or two go on, without the jacket.
        const spans = spansAt(assembly, body.id).filter(({ carries }) => !carries);
        return spans.flatMap((span) => {
          const cable = cableOf(assembly, span);
          const jacket = cable?.jacketMm;
          if (!cable || jacket === undefined || (jacket >= range.min && jacket <= range.max)) return [];
          const fat = jacket > range.max;
          // Side by side they fill it together.
          if (!fat && spans.length > 1) return [];
          const instead = CABLES.find(
            (c) =>
              c.kind === cable.kind &&
              c.jacketMm !== undefined &&
              c.flex === cable.flex &&
              c.jacketMm >= range.min &&
              c.jacketMm <= range.max,
          );
          return [
            {
              severity: fat ? ('stop' as const) : ('caution' as const),
              says: `${cable.name} is ${formatLength(jacket)} thick; the connector at end ${end.id} takes ${range.min} to ${range.max} mm.`,
              because: fat
                ? 'The boot and clamp will not go over the jacket.'
                : 'The clamp cannot grip the jacket, so the joints take every pull: turns of shrink under it make up for it.',
              hear: fat ? 'It cannot be closed.' : 'It works until somebody pulls it.',
              about: end.id,
              remedies: instead
                ? [
                    {
                      says: `Use ${instead.name.toLowerCase()}`,
                      change: { kind: 'set' as const, path: 'cable', value: instead.id },
                    },
                  ]
                : [],
            },
          ];
        });
      }),
    ),
};
