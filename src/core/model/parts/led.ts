import { junctionOf } from '../junction';
import { partModel } from './model';

/** A junction that is lit: open both ways on most meters. */
export const led = partModel({
  kind: 'led',
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
