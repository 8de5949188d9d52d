import { number, object } from 'yup';
import { common, kindOf, partKind } from './kind';

const shape = object({
  ...common,
  kind: kindOf('transformer'),
  /** Direct-current resistance of each winding, Ω. */
  windingOhms: number().min(0).max(1e9),
}).noUnknown();

/** A transformer of two windings, one to one. */
export const transformer = partKind({
  kind: 'transformer',
  shape,
  leads: () => ['p1', 'p2', 's1', 's2'],
  turns: () => [
    ['p1', 'p2'],
    ['s1', 's2'],
  ],
  // In phase: what swings up at one start swings up at the other.
  carries: () => [
    ['p1', 's1'],
    ['p2', 's2'],
  ],
  value: (part) => part.windingOhms,
  withValue: (part, windingOhms) => ({ ...part, windingOhms }),
});
