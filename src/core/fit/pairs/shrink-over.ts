import {
  bodyById,
  cableOf,
  connectorOf,
  spanById,
  spansAt,
  type Assembly,
  type Dressing,
} from '../../assembly';
import { fitsShrink, type ShrinkOver } from '../shrink';
import { rearOf } from '../../catalogue';
import { thicknessOf } from '../sizes';
import { figure, verdictOf, type Fit, type Pair } from '../types';

const OVER_JACKET: ReadonlySet<Dressing['what']> = new Set([
  'heat-shrink',
  'adhesive-shrink',
  'clear-shrink',
]);

/** What a piece of shrink lies on, mm: the jacket, and behind a connector its boot or shell as well. */
function liesOn(assembly: Assembly, { over }: Dressing): ShrinkOver | undefined {
  const span = spanById(assembly, over);
  const along = span && thicknessOf(assembly, span);
  if (span) return along === undefined ? undefined : { passesMm: along, gripsMm: along };
  const body =
    bodyById(assembly, over) ?? assembly.bodies.find(({ ends }) => ends.some(({ id }) => id === over));
  // Over parts in a shell it lies on them, and over a split on several legs: their own sums gave its size.
  if (!body || body.kind === 'breakout' || body.parts.length > 0) return undefined;
  const [first] = spansAt(assembly, body.id);
  const [end] = body.ends;
  const jacket = first && cableOf(assembly, first)?.jacketMm;
  const connector = end && connectorOf(assembly, end);
  return jacket === undefined
    ? undefined
    : { passesMm: Math.max(jacket, (connector && rearOf(connector)) ?? jacket), gripsMm: jacket };
}

/** Shrink over a jacket: it passes over it as it is supplied, and grips it when it has recovered. */
export const shrinkOver: Pair = {
  id: 'shrink-over',
  what: 'Shrink over what it grips.',
  source: 'supplied and recovered bore; it must pass over the biggest and grip the smallest',
  of: (assembly) =>
    assembly.dressings.flatMap((dressing): Fit[] => {
      const under = OVER_JACKET.has(dressing.what) ? liesOn(assembly, dressing) : undefined;
      const { size } = dressing;
      if (under?.gripsMm === undefined || !size) return [];
      const { passesMm, gripsMm } = under;
      const { suppliedMm, recoveredMm = size.suppliedMm } = size;
      const marginMm = Math.min(suppliedMm - passesMm, gripsMm - recoveredMm);
      return [
        {
          id: `shrink-${dressing.id}`,
          pair: 'shrink-over',
          at: dressing.at ?? dressing.over,
          says: `Shrink ${dressing.says}`,
          has:
            passesMm > gripsMm
              ? `${figure(passesMm)} to pass over, ${figure(gripsMm)} to grip`
              : `${figure(gripsMm)} under it`,
          takes: `${suppliedMm} mm as supplied, ${recoveredMm} mm recovered`,
          marginMm,
          verdict: fitsShrink(size, under) ? verdictOf(marginMm, 0.2) : 'not',
          ...(suppliedMm < passesMm
            ? { todo: 'It does not go over: the next size up.' }
            : recoveredMm >= gripsMm
              ? { todo: 'It does not grip: the next size down, or one that shrinks to a third.' }
              : {}),
        },
      ];
    }),
};
