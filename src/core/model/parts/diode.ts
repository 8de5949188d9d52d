import { junctionOf } from '../junction';
import { partModel } from './model';

/** A junction. */
export const diode = partModel({
  kind: 'diode',
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
            ...junctionOf('diode', part.forwardVolts * times),
          },
        ],
});
