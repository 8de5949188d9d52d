import { number, object } from 'yup';
import { common, kindOf, partKind } from './kind';

const shape = object({
  ...common,
  kind: kindOf('led'),
  /** Forward voltage when lit, V. */
  forwardVolts: number().min(0).max(1000),
}).noUnknown();

/** A lamp that is an LED. */
export const led = partKind({
  kind: 'led',
  shape,
  leads: () => ['anode', 'cathode'],
  turns: () => [['anode', 'cathode']],
  value: (part) => part.forwardVolts,
  withValue: (part, forwardVolts) => ({ ...part, forwardVolts }),
});
