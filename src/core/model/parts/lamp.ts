import { partModel } from './model';

/** A lit filament is a resistance. */
export const lamp = partModel({
  kind: 'lamp',
  elements: (part, { at, times }) =>
    part.litOhms === undefined
      ? []
      : [
          {
            kind: 'resistor',
            id: `R_${part.id}`,
            a: at('a'),
            b: at('b'),
            ohms: Math.max(part.litOhms * times, 1e-3),
          },
        ],
  passes: () => [['a', 'b']],
  measures: (part) => (part.litOhms === undefined ? [] : [{ between: ['a', 'b'], ohms: part.litOhms }]),
});
