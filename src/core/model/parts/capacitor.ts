import { partModel } from './model';

/** Open to direct current and to a meter. */
export const capacitor = partModel({
  kind: 'capacitor',
  elements: (part, { at, times }) =>
    part.farads === undefined
      ? []
      : [{ kind: 'capacitor', id: `C_${part.id}`, a: at('a'), b: at('b'), farads: part.farads * times }],
});
