import { junctionOf } from '../junction';
import { partModel } from './model';

/** A junction that is lit. */
export const led = partModel({
  kind: 'led',
  usual: 0.15,
  junction: ({ forwardVolts }) => forwardVolts,
  legs: () => [
    { red: 'anode', black: 'cathode', mode: 'diode' },
    { red: 'cathode', black: 'anode', mode: 'diode' },
  ],
  elements: (part, { at, times }) =>
    part.forwardVolts === undefined
      ? []
      : [
          {
            kind: 'diode',
            id: `D_${part.id}`,
            a: at('anode'),
            b: at('cathode'),
            ...junctionOf('led', part.forwardVolts * times),
          },
        ],
});
