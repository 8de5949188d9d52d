import { figureKey, type Figure } from '../../core/signal';
import { FigureLine } from '../../ui';

/** Kinds of figure of which more is worse; of all else less is. */
const MORE_IS_WORSE = new Set([
  'humvolts',
  'loop',
  'heat',
  'noise',
  'noisier',
  'capacitance',
  'cold',
  'worstleg',
  'drawn',
  'fed',
]);

/** Figures of one kind for many channels are shown once, the worst, and open to all. */
export function SignalFigures({ figures }: { figures: readonly Figure[] }) {
  const kinds = new Map<string, readonly Figure[]>();
  for (const each of figures) {
    kinds.set(each.kind, [...(kinds.get(each.kind) ?? []), each]);
  }
  return (
    <div aria-label="Figures" role="group">
      {[...kinds].map(([kind, all]) => {
        const sign = MORE_IS_WORSE.has(kind) ? -1 : 1;
        const [worst, ...others] = [...all].sort((a, b) => sign * (a.value - b.value));
        if (!worst) return null;
        // Channels that are alike are said once, without their names.
        const alike = others.every((each) => each.says === worst.says);
        const first = alike ? { ...worst, name: worst.name.split(', ')[0] ?? worst.name } : worst;
        const rest = alike ? [] : others;
        return (
          <FigureLine key={kind} figure={first}>
            {rest.map((each) => (
              <FigureLine key={figureKey(each)} figure={each} />
            ))}
          </FigureLine>
        );
      })}
    </div>
  );
}
