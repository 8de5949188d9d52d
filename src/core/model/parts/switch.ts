import { partModel } from './model';

/** Closed; a meter finds it open, as it is stored. */
export const switchPart = partModel({
  kind: 'switch',
  usual: 0,
  elements: (part, { at }) => [{ kind: 'switch', id: `R_${part.id}`, a: at('a'), b: at('b'), closed: true }],
  passes: () => [['a', 'b']],
});
