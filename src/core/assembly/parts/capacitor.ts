import { number, object, string } from 'yup';
import { common, kindOf, partKind } from './kind';

const shape = object({
  ...common,
  kind: kindOf('capacitor'),
  /** F. */
  farads: number().min(0).max(1e3),
  /** The leg that is its plus, of one that has a way round: an electrolytic. */
  plus: string().oneOf(['a', 'b'] as const),
}).noUnknown();

/** A capacitor; one with a plus goes in one way round only. */
export const capacitor = partKind({
  kind: 'capacitor',
  shape,
  leads: () => ['a', 'b'],
  turns: ({ plus }) => (plus === undefined ? [] : [['a', 'b']]),
  value: (part) => part.farads,
  withValue: (part, farads) => ({ ...part, farads }),
});
