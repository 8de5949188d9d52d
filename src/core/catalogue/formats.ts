import type { Role } from './roles';

/** One channel of a format: which way it goes compared with its port, and what it needs. */
export interface FormatChannel {
  readonly id: string;
  readonly name: string;
  /** Goes the port's own way or the other, as a headset's microphone does, or always out of the equipment or into it. */
  readonly goes: 'with port' | 'against port' | 'out' | 'in';
  readonly roles: readonly Role[];
  /** What it is where it is not what its port is: of what sends it, and of what receives it. */
  readonly like?: Readonly<Record<'sends' | 'receives', ChannelLike>>;
}

/** What a channel is that its port is not: its signal, nominal level (dBu) and impedance (Ω). */
export interface ChannelLike {
  readonly signal: 'microphone' | 'headphone';
  readonly levelDbu: number;
  readonly impedance: number;
}

const BALANCED: readonly Role[] = ['hot', 'cold', 'screen'];
const UNBALANCED: readonly Role[] = ['hot', 'return'];
const channel = (
  id: string,
  name: string,
  roles: readonly Role[],
  goes: FormatChannel['goes'] = 'with port',
): FormatChannel => ({ id, name, goes, roles });

/** An earphone of a headset, and the output that feeds it: as headphones are, and what feeds them. Typical, from memory. */
const earphone = (id: string, name: string): FormatChannel => ({
  ...channel(id, name, UNBALANCED),
  like: {
    sends: { signal: 'headphone', levelDbu: -2, impedance: 10 },
    receives: { signal: 'headphone', levelDbu: -2, impedance: 32 },
  },
});

/** The microphone beside earphones, Ω of it and of the input it goes to: it goes the other way. Level typical, from memory. */
const talkback = (levelDbu: number, sends: number, receives: number): FormatChannel => ({
  ...channel('microphone', 'microphone', UNBALANCED, 'against port'),
  like: {
    sends: { signal: 'microphone', levelDbu, impedance: sends },
    receives: { signal: 'microphone', levelDbu, impedance: receives },
  },
});

/** How signals lie side by side on one connector. A channel named with nothing is the only one. */
export const FORMATS = {
  balanced: [channel('', 'signal', BALANCED)],
  unbalanced: [channel('', 'signal', UNBALANCED)],
  stereo: [channel('left', 'left', UNBALANCED), channel('right', 'right', UNBALANCED)],
  'stereo-balanced': [channel('left', 'left', BALANCED), channel('right', 'right', BALANCED)],
  'balanced-8': Array.from({ length: 8 }, (_, n) => channel(`${n + 1}`, `channel ${n + 1}`, BALANCED)),
  insert: [channel('send', 'send', UNBALANCED, 'out'), channel('return', 'return', UNBALANCED, 'in')],
  headset: [
    earphone('left', 'left earphone'),
    earphone('right', 'right earphone'),
    // Small, fed by what it is plugged into.
    talkback(-42, 2000, 4000),
  ],
  intercom: [
    // Moving coil.
    talkback(-55, 200, 2000),
    channel('earphone', 'earphone', UNBALANCED),
  ],
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
