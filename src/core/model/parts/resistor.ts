import { partModel } from './model';

/** A resistance, to a circuit and to a meter. */
export const resistor = partModel({
  kind: 'resistor',
  usual: 0.05,
  legs: () => [{ red: 'a', black: 'b' }],
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
  measures: ({ ohms }, { times }) =>
    ohms === undefined ? [] : [{ between: ['a', 'b'], ohms: ohms * times }],
});
