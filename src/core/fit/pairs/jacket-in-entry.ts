import { cableOf, connectorOf, dressingsOver, spansAt, type Assembly, type Span } from '../../assembly';
import { A_TURN, enteringMm, thicknessOf } from '../sizes';
import { figure, verdictOf, type Fit, type Pair } from '../types';

const isSleeved = (assembly: Assembly, { id }: Span): boolean =>
  dressingsOver(assembly, id).some(({ what }) => what === 'expandable-sleeve');

/** Jacket, with its sleeving, in boot and clamp; several cables in one entry side by side. */
export const jacketInEntry: Pair = {
  id: 'jacket-in-entry',
  what: 'The jacket in boot, clamp or gland.',
  source: 'cable range of the connector’s entry; sleeving adds two walls',
  of: (assembly) =>
    assembly.bodies.flatMap((body) =>
      body.ends.flatMap((end): Fit[] => {
        const range = connectorOf(assembly, end)?.cableMm;
        const spans = spansAt(assembly, body.id);
        const widths = spans.flatMap((span) => {
          const jacket = enteringMm(assembly, span, body.id);
          return jacket === undefined ? [] : [jacket];
        });
        if (!range || spans.length === 0 || widths.length < spans.length) return [];
        const has = widths.reduce((sum, each) => sum + each, 0);
        const marginMm = Math.min(has - range.min, range.max - has);
        const names = [...new Set(spans.map((span) => cableOf(assembly, span)?.name ?? span.cable))].join(
          ', ',
        );
        const sleeved = spans.some((span) => isSleeved(assembly, span));
        const bare = spans.reduce((sum, span) => sum + (thicknessOf(assembly, span) ?? 0), 0);
        const turns = Math.ceil((range.min - has) / A_TURN);
        return [
          {
            id: `jacket-${end.id}`,
            pair: 'jacket-in-entry',
            at: end.id,
            says: `${spans.length > 1 ? `${spans.length} cables abreast` : spans[0]?.carries ? 'Leg' : 'Jacket'} in the entry of end ${end.id}`,
            has: `${figure(has)}${spans.length > 1 ? ` (${widths.map((each) => `${Math.round(each * 10) / 10}`).join(' + ')})` : ''}, ${names}${sleeved ? ', two walls of sleeving with it' : ''}${!sleeved && has > bare ? `: ${figure(bare)}, and shrink round it` : ''}`,
            takes: `${range.min} to ${range.max} mm`,
            marginMm,
            verdict: verdictOf(marginMm),
            ...(has < range.min
              ? {
                  todo: `Too thin for the clamp: ${turns === 1 ? 'a turn' : `${turns} turns`} of shrink under it.`,
                }
              : has > range.max
                ? {
                    todo:
                      spans.length > 1
                        ? 'Open the boot up, take a large-entry body or a thinner cable; never pare the cores.'
                        : 'Take a large-entry body or a thinner cable; never pare the cores.',
                  }
                : {}),
          },
        ];
      }),
    ),
};
