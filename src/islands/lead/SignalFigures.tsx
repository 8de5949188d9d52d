import { figureKey, foremost, type Figure } from '../../core/signal';
import { FigureLine } from '../../ui';

/** Figures of one kind for many channels are shown once, the worst, and open to all. */
export function SignalFigures({ figures }: { figures: readonly Figure[] }) {
  return (
    <div aria-label="Figures" role="group">
      {foremost(figures).map(({ worst, others }) => (
        <FigureLine key={worst.kind} figure={worst}>
          {others.map((each) => (
            <FigureLine key={figureKey(each)} figure={each} />
          ))}
        </FigureLine>
      ))}
    </div>
  );
}
