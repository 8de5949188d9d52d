import { figuresOfKind, sayDb, sayHertz } from '../figures';
import type { Figure, Weight } from '../types';
import { DARK } from './coil';
import { HIGHEST, type Context } from './context';
import { UNHEARD } from './hum';
import type { Lamps } from './lamps';
import { CANCELLED, CLASH_AMPS } from './meeting';

/** Less than this at a source is no supply, V. */
const NO_SUPPLY = 0.05;

/** How a lead is to be taken, in one sentence. */
export interface Verdict {
  readonly says: string;
  readonly weight: Weight;
}

/** What the figures come to in one sentence, and how heavy that is. */
export function verdict({ links, conditions }: Context, figures: readonly Figure[], lamps?: Lamps): Verdict {
  const of = (kind: string): readonly Figure[] => figuresOfKind(figures, kind);
  const least = (kind: string): number => Math.min(...of(kind).map((each) => each.value));
  if (lamps) return { says: lamps.says, weight: lamps.good ? 'good' : 'caution' };
  if (links.length === 0)
    return {
      says: supplied(of) ?? 'Nothing is sent through it: there is no signal to follow.',
      weight: 'note',
    };
  const gain = least('gain');
  const three = least('minus3');
  const rings = of('rise')[0];
  const under = of('hum').length > 0 ? least('hum') : undefined;
  const apart = of('separation')[0]?.value;
  const clash = of('clash')[0];
  const damping = of('damping')[0];
  const turnedUp = of('turnedup')[0];
  const cancelled = (of('alike')[0]?.value ?? 0) < CANCELLED;
  const parts = [
    `${arrives(gain, Math.max(...of('gain').map((each) => each.value)), sideOf(links))}${
      turnedUp
        ? ` at ${Math.round(100 * (conditions.turn ?? 0.5))} % of its turn, ${turnedUp.says} turned up`
        : ''
    }`,
    gain < -80 || damping
      ? undefined
      : rings
        ? `rings at ${of('resonance')[0]?.says ?? ''}${rings.value > 0.1 ? `, ${sayDb(rings.value)} up` : ', damped flat'}`
        : three === Infinity
          ? `flat beyond ${sayHertz(HIGHEST)}`
          : `${three < 20_000 ? 'down 3 dB already at' : 'flat to'} ${sayHertz(three)}`,
    damping && `${of('cable')[0]?.says ?? ''} of it in the lead, a damping factor of at most ${damping.says}`,
    cancelled ? 'and what both sides carry alike cancels' : undefined,
    under === undefined ? undefined : under < UNHEARD ? `hum ${sayDb(under)} under the signal` : 'no hum',
    apart !== undefined && apart < UNHEARD ? `channels ${sayDb(apart)} apart` : undefined,
    clash && clash.value > CLASH_AMPS ? `the outputs drive ${clash.says} into each other` : undefined,
    supplied(of),
  ].filter((each) => each !== undefined);
  const sentence = parts.join(', ');
  const weight: Weight =
    gain < -80 || least('headroom') < 0 || cancelled
      ? 'stop'
      : (rings ? least('resonance') < DARK : three < 20_000) ||
          (under !== undefined && under < 40) ||
          (apart !== undefined && apart < 40) ||
          (clash !== undefined && clash.value > CLASH_AMPS)
        ? 'caution'
        : 'good';
  return { says: `${sentence.charAt(0).toUpperCase()}${sentence.slice(1)}.`, weight };
}

const sideOf = (links: Context['links']): string =>
  links.length > 1 && links.every((link) => link.in === links[0]?.in) ? ' a side' : '';

const arrives = (gain: number, most: number, side: string): string =>
  gain < -80
    ? 'hardly anything reaches the input'
    : Math.abs(most - gain) < 0.05
      ? `reaches the input at ${sayDb(gain)}${side}`
      : `reaches the inputs at ${sayDb(gain)} to ${sayDb(most)}`;

const supplied = (of: (kind: string) => readonly Figure[]): string | undefined => {
  const [drawn, dc] = [of('drawn')[0], of('dc')[0]];
  if (dc && of('dc').every((each) => Math.abs(each.value) < NO_SUPPLY)) return 'no supply reaches the source';
  return dc ? `supply at the source ${dc.says}${drawn ? ` (${drawn.says})` : ''}` : undefined;
};
