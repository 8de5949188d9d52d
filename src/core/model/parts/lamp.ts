import { partModel } from './model';

/** What of its resistance when lit a filament has when it is cold: about a tenth (from memory). */
const COLD = { low: 1 / 16, marked: 1 / 10, high: 1 / 4 } as const;

/** A lit filament is a resistance; a meter finds it cold. */
export const lamp = partModel({
  kind: 'lamp',
  usual: 0.2,
  legs: () => [{ red: 'a', black: 'b' }],
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
  measures: ({ litOhms }, { corner, times }) =>
    litOhms === undefined ? [] : [{ between: ['a', 'b'], ohms: litOhms * COLD[corner] * times }],
});
