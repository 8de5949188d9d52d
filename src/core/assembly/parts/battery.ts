import { number, object } from 'yup';
import { common, kindOf, partKind } from './kind';

const shape = object({
  ...common,
  kind: kindOf('battery'),
  /** V. */
  volts: number().min(0).max(1000),
}).noUnknown();

/** A battery, of one cell or several. */
export const battery = partKind({
  kind: 'battery',
  shape,
  leads: () => ['pos', 'neg'],
  turns: () => [['pos', 'neg']],
  value: (part) => part.volts,
  withValue: (part, volts) => ({ ...part, volts }),
});
