import { conductorsOf } from '../../core/assembly';
import { COLOURS } from '../../core/catalogue';
import { braided, sayBraided } from '../../core/drawing';
import { Picture } from '../../ui';
import styles from './Unit.module.css';
import type { UnitOnPage } from './useUnit';

export interface BraidingProps {
  readonly page: Pick<UnitOnPage, 'assembly'>;
  /** The step at hand. */
  readonly step: string;
}

/** The wires of a lead that is braided or twisted by hand, as they are laid over each other. */
export function Braiding({ page: { assembly }, step }: BraidingProps) {
  const span = assembly.spans.find(({ id }) => `braid-${id}` === step);
  const wires = span
    ? conductorsOf(assembly, span).map(({ colour, outerMm = 2 }) => ({
        says: COLOURS[colour],
        colour,
        mm: outerMm,
      }))
    : [];
  const drawn = braided(wires);
  if (!drawn) return null;
  return (
    <figure className={styles['upright']}>
      <Picture picture={drawn} says={sayBraided(wires)} />
      <figcaption>{wires.map(({ says }) => says).join(', ')}, as they lie when they are gathered</figcaption>
    </figure>
  );
}
