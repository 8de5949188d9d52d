import { partModel } from './model';

/** A source; it is out when an ohmmeter is near. */
export const battery = partModel({
  kind: 'battery',
  usual: 0.1,
  elements: (part, { at, times }) =>
    part.volts === undefined
      ? []
      : [{ kind: 'voltage', id: `V_${part.id}`, a: at('pos'), b: at('neg'), dc: part.volts * times }],
  passes: () => [['pos', 'neg']],
});
