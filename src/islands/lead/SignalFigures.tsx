import type { Figure } from '../../core/signal';
import { FigureLine } from '../../ui';

/** Figures of one kind for many channels are shown once, the worst, and open to all. */
export function SignalFigures({ figures }: { figures: readonly Figure[] }) {
  const kinds = new Map<string, readonly Figure[]>();
  for (const each of figures) {
    const kind = each.id.split(' ')[0] ?? each.id;
    kinds.set(kind, [...(kinds.get(kind) ?? []), each]);
  }
  return (
    <div aria-label="Figures" role="group">
      {[...kinds].map(([kind, all]) => {
        const [worst, ...others] = [...all].sort((a, b) => a.value - b.value);
        if (!worst) return null;
        // Channels that are alike are said once, without their names.
        const alike = others.every((each) => each.says === worst.says);
        const first = alike ? { ...worst, name: worst.name.split(', ')[0] ?? worst.name } : worst;
        const rest = alike ? [] : others;
        return (
          <FigureLine key={kind} figure={first}>
            {rest.map((each) => (
              <FigureLine key={each.id} figure={each} />
            ))}
          </FigureLine>
        );
      })}
    </div>
  );
}
