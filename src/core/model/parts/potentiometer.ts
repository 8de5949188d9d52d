import { wiped, type Taper } from '../../circuit';
import { nodeName } from '../node';
import { partModel, type Corner } from './model';

const leadOf = (gang: string, name: string): string => (gang === '' ? name : `${gang}.${name}`);

/** What of a track or of its turn may be left at a stop, and how far off a hand sets a turn (from memory). */
const AT_STOP = 0.03;
const BY_HAND = 0.06;
/** How far logarithmic tracks are from each other on their way: 10 to 20 % at half turn where 15 is meant (common practice). */
const TAPERS = { logarithmic: { least: 2 / 3, most: 4 / 3 }, linear: { least: 0.9, most: 1.1 } } as const;

/** The shares of a track below and above the wiper; at a corner each of them as small or as large as it may be. */
function halves(
  turn: number,
  taper: Taper,
  corner: Corner,
): { readonly below: number; readonly above: number } {
  if (corner === 'marked') return { below: wiped(turn, taper), above: 1 - wiped(turn, taper) };
  const isStop = turn <= 0 || turn >= 1;
  const off = isStop ? AT_STOP : BY_HAND;
  const spread = isStop ? { least: 1, most: 1 } : TAPERS[taper];
  const least = Math.max(0, Math.min(wiped(turn, taper) - AT_STOP, wiped(turn - off, taper) * spread.least));
  const most = Math.min(1, Math.max(wiped(turn, taper) + AT_STOP, wiped(turn + off, taper) * spread.most));
  return corner === 'low' ? { below: least, above: 1 - most } : { below: most, above: 1 - least };
}

/** Each gang a track in two pieces. */
export const potentiometer = partModel({
  kind: 'potentiometer',
  usual: 0.2,
  legs: ({ gangs = [''] }) => gangs.map((gang) => ({ red: leadOf(gang, 'cw'), black: leadOf(gang, 'ccw') })),
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
  measures: ({ trackOhms, gangs = [''], taper = 'linear' }, { turn, corner, times }) => {
    if (trackOhms === undefined) return [];
    const { below, above } = halves(turn, taper, corner);
    return gangs.flatMap((gang) => [
      { between: [leadOf(gang, 'cw'), leadOf(gang, 'wiper')] as const, ohms: trackOhms * times * above },
      { between: [leadOf(gang, 'wiper'), leadOf(gang, 'ccw')] as const, ohms: trackOhms * times * below },
    ]);
  },
});
