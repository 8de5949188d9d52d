import { bodyById, cableOf, spansAt, type Assembly, type Dressing } from '../../assembly';
import { fitsShrink } from '../shrink';
import { thicknessOf } from '../sizes';
import { figure, verdictOf, type Fit, type Pair } from '../types';

const OVER_JACKET: ReadonlySet<Dressing['what']> = new Set([
  'heat-shrink',
  'adhesive-shrink',
  'clear-shrink',
]);

/** The jacket that a piece of shrink lies on, mm. */
function jacketUnder(assembly: Assembly, { over }: Dressing): number | undefined {
  const span = assembly.spans.find(({ id }) => id === over);
  if (span) return thicknessOf(assembly, span);
  const body =
    bodyById(assembly, over) ?? assembly.bodies.find(({ ends }) => ends.some(({ id }) => id === over));
  // Over parts in a shell it lies on them, and over a split on several legs: their own sums gave its size.
  if (!body || body.kind === 'breakout' || body.parts.length > 0) return undefined;
  const [first] = spansAt(assembly, body.id);
  return first && cableOf(assembly, first)?.jacketMm;
}

/** Shrink over a jacket: it passes over it as it is supplied, and grips it when it has recovered. */
export const shrinkOver: Pair = {
  id: 'shrink-over',
  what: 'Shrink over what it grips.',
  source: 'supplied and recovered bore; it must pass over the biggest and grip the smallest',
  of: (assembly) =>
    assembly.dressings.flatMap((dressing): Fit[] => {
      const jacket = OVER_JACKET.has(dressing.what) ? jacketUnder(assembly, dressing) : undefined;
      const { size } = dressing;
      if (jacket === undefined || !size) return [];
      const { suppliedMm, recoveredMm = size.suppliedMm } = size;
      const marginMm = Math.min(suppliedMm - jacket, jacket - recoveredMm);
      return [
        {
          id: `shrink-${dressing.id}`,
          pair: 'shrink-over',
          at: dressing.at ?? dressing.over,
          says: `Shrink ${dressing.says}`,
          has: `${figure(jacket)} under it`,
          takes: `${suppliedMm} mm as supplied, ${recoveredMm} mm recovered`,
          marginMm,
          verdict: fitsShrink(size, { passesMm: jacket, gripsMm: jacket }) ? verdictOf(marginMm, 0.2) : 'not',
          ...(suppliedMm < jacket
            ? { todo: 'It does not go over: the next size up.' }
            : recoveredMm >= jacket
              ? { todo: 'It does not grip: the next size down, or one that shrinks to a third.' }
              : {}),
        },
      ];
    }),
};
