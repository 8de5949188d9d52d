import { partModel } from './model';

/** Closed; a meter finds it open, as it is stored. */
export const switchPart = partModel({
  kind: 'switch',
  elements: (part, { at }) => [{ kind: 'switch', id: `R_${part.id}`, a: at('a'), b: at('b'), closed: true }],
  passes: () => [['a', 'b']],
});
