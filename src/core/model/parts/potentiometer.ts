import { nodeName } from '../node';
import { partModel } from './model';

const leadOf = (gang: string, name: string): string => (gang === '' ? name : `${gang}.${name}`);

/** Each gang a track in two pieces. */
export const potentiometer = partModel({
  kind: 'potentiometer',
  elements: (part, { at, times, turn = 0.5, taper, tracking = 0 }) => {
    const { trackOhms, gangs = [''] } = part;
    if (trackOhms === undefined) return [];
    return gangs.map((gang, n) => {
      const off = gangs.length < 2 ? 1 : 1 + tracking * (0.5 - n / (gangs.length - 1));
      return {
        kind: 'potentiometer',
        id: `R_${nodeName(`${part.id} ${gang}`)}`,
        a: at(leadOf(gang, 'cw')),
        wiper: at(leadOf(gang, 'wiper')),
        b: at(leadOf(gang, 'ccw')),
        ohms: trackOhms * times * off,
        turn: Math.min(1, turn * off),
        taper: taper ?? part.taper ?? 'linear',
      };
    });
  },
  passes: (part) =>
    (part.gangs ?? ['']).map((gang) => ['cw', 'wiper', 'ccw'].map((name) => leadOf(gang, name))),
  measures: ({ trackOhms, gangs = [''] }, turn) =>
    trackOhms === undefined
      ? []
      : gangs.flatMap((gang) => [
          { between: [leadOf(gang, 'cw'), leadOf(gang, 'wiper')] as const, ohms: trackOhms * (1 - turn) },
          { between: [leadOf(gang, 'wiper'), leadOf(gang, 'ccw')] as const, ohms: trackOhms * turn },
        ]),
});
