import type { Role } from './roles';

/** One channel of a format: which way it goes compared with its port, and what it needs. */
export interface FormatChannel {
  readonly id: string;
  readonly name: string;
  /** Goes the port's own way, or always out of the equipment or into it. */
  readonly goes: 'with port' | 'out' | 'in';
  readonly roles: readonly Role[];
}

const BALANCED: readonly Role[] = ['hot', 'cold', 'screen'];
const UNBALANCED: readonly Role[] = ['hot', 'return'];
const channel = (
  id: string,
  name: string,
  roles: readonly Role[],
  goes: FormatChannel['goes'] = 'with port',
): FormatChannel => ({ id, name, goes, roles });

/** How signals lie side by side on one connector. A channel named with nothing is the only one. */
export const FORMATS = {
  balanced: [channel('', 'signal', BALANCED)],
  unbalanced: [channel('', 'signal', UNBALANCED)],
  stereo: [channel('left', 'left', UNBALANCED), channel('right', 'right', UNBALANCED)],
  'stereo-balanced': [channel('left', 'left', BALANCED), channel('right', 'right', BALANCED)],
  'balanced-8': Array.from({ length: 8 }, (_, n) => channel(`${n + 1}`, `channel ${n + 1}`, BALANCED)),
  insert: [channel('send', 'send', UNBALANCED, 'out'), channel('return', 'return', UNBALANCED, 'in')],
  headset: [
    channel('left', 'left earphone', UNBALANCED),
    channel('right', 'right earphone', UNBALANCED),
    channel('microphone', 'microphone', UNBALANCED),
  ],
  intercom: [channel('microphone', 'microphone', UNBALANCED), channel('earphone', 'earphone', UNBALANCED)],
  loudspeaker: [channel('', 'loudspeaker', ['plus', 'minus'])],
  'loudspeaker-2': [channel('1', 'pair 1', ['plus', 'minus']), channel('2', 'pair 2', ['plus', 'minus'])],
  'loudspeaker-bridged': [channel('', 'bridged loudspeaker', ['plus', 'minus'])],
  pickup: [channel('left', 'left', UNBALANCED), channel('right', 'right', UNBALANCED)],
  probe: [channel('', 'current of a test lamp', UNBALANCED)],
  data: [channel('', 'control data', BALANCED)],
} as const satisfies Readonly<Record<string, readonly FormatChannel[]>>;

export type FormatId = keyof typeof FORMATS;
export const FORMAT_IDS = Object.keys(FORMATS) as FormatId[];

/** The channels of a format. */
export const channelsOf = (format: FormatId): readonly FormatChannel[] => FORMATS[format];

/** Whether a channel has a leg of its own for each polarity, apart from its screen. */
export const isBalanced = (roles: Readonly<Partial<Record<Role, unknown>>>): boolean =>
  roles.cold !== undefined && roles.cold !== roles.screen;
