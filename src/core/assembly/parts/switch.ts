import { object } from 'yup';
import { common, kindOf, partKind } from './kind';

const shape = object({
  ...common,
  kind: kindOf('switch'),
}).noUnknown();

/** A switch of one pole. */
export const switchPart = partKind({
  kind: 'switch',
  shape,
  leads: () => ['a', 'b'],
});
