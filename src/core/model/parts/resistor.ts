import { partModel } from './model';

/** A resistance, to a circuit and to a meter. */
export const resistor = partModel({
  kind: 'resistor',
  elements: (part, { at, times }) =>
    part.ohms === undefined
      ? []
      : [
          {
            kind: 'resistor',
            id: `R_${part.id}`,
            a: at('a'),
            b: at('b'),
            ohms: Math.max(part.ohms * times, 1e-3),
          },
        ],
  passes: () => [['a', 'b']],
  measures: (part) => (part.ohms === undefined ? [] : [{ between: ['a', 'b'], ohms: part.ohms }]),
});
