import { junctionOf } from '../junction';
import { partModel } from './model';

/** A junction: open both ways on most meters. */
export const diode = partModel({
  kind: 'diode',
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
