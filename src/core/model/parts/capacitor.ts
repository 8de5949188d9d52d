import { partModel } from './model';

/** Open to direct current, and to an ohmmeter once it is charged. */
export const capacitor = partModel({
  kind: 'capacitor',
  usual: 0.2,
  stores: ({ farads }) => farads,
  legs: () => [{ red: 'a', black: 'b', mode: 'capacitance' }],
  elements: (part, { at, times }) =>
    part.farads === undefined
      ? []
      : [{ kind: 'capacitor', id: `C_${part.id}`, a: at('a'), b: at('b'), farads: part.farads * times }],
});
