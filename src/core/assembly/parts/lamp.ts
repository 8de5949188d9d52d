import { number, object } from 'yup';
import { common, kindOf, partKind } from './kind';

const shape = object({
  ...common,
  kind: kindOf('lamp'),
  /** Resistance when lit, Ω. */
  litOhms: number().min(0).max(1e9),
}).noUnknown();

/** A filament lamp. */
export const lamp = partKind({
  kind: 'lamp',
  shape,
  leads: () => ['a', 'b'],
  value: (part) => part.litOhms,
  withValue: (part, litOhms) => ({ ...part, litOhms }),
});
