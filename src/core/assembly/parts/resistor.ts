import { number, object } from 'yup';
import { common, kindOf, partKind } from './kind';

const shape = object({
  ...common,
  kind: kindOf('resistor'),
  /** Ω. */
  ohms: number().min(0).max(1e12),
}).noUnknown();

/** A fixed resistor. */
export const resistor = partKind({
  kind: 'resistor',
  shape,
  leads: () => ['a', 'b'],
  value: (part) => part.ohms,
  withValue: (part, ohms) => ({ ...part, ohms }),
});
