import { number, object } from 'yup';
import { common, kindOf, partKind } from './kind';

const shape = object({
  ...common,
  kind: kindOf('capacitor'),
  /** F. */
  farads: number().min(0).max(1e3),
}).noUnknown();

/** A capacitor; what is marked on it says which way round, where it has a way round. */
export const capacitor = partKind({
  kind: 'capacitor',
  shape,
  leads: () => ['a', 'b'],
  value: (part) => part.farads,
  withValue: (part, farads) => ({ ...part, farads }),
});
