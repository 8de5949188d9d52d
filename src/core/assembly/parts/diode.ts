import { number, object } from 'yup';
import { common, kindOf, partKind } from './kind';

const shape = object({
  ...common,
  kind: kindOf('diode'),
  /** Forward voltage at 1 mA, V. */
  forwardVolts: number().min(0).max(1000),
}).noUnknown();

/** A signal diode. */
export const diode = partKind({
  kind: 'diode',
  shape,
  leads: () => ['anode', 'cathode'],
  turns: () => [['anode', 'cathode']],
  value: (part) => part.forwardVolts,
  withValue: (part, forwardVolts) => ({ ...part, forwardVolts }),
});
