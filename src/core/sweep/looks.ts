import { array, boolean, number, object, string, tuple } from 'yup';
import { PHANTOM_KINDS } from '../catalogue';
import { capital, instant, uuid, type Shape } from '../quantity';

/** What a tell-tale may show on a line. */
export const LAMPS = ['both', 'only 2', 'only 3', 'one', 'none', 'flicker'] as const;
export type Lamps = (typeof LAMPS)[number];
/** The pairs of contacts that a meter is put across, in their order. */
export const PAIRS = [
  [2, 1],
  [3, 1],
  [2, 3],
] as const;

/** The tell-tale in use, and the supply behind the lines. */
export const plugSchema = object({
  supply: string().oneOf(PHANTOM_KINDS, 'It is P48, P24 or P12.').required('Say which phantom it is.'),
  /** In series with each lamp, Ω. */
  ohms: number()
    .typeError('Give the resistor in Ω, such as 4700.')
    .min(1, 'A resistor is from 1 Ω to 1 MΩ.')
    .max(1e6, 'A resistor is from 1 Ω to 1 MΩ.')
    .required('Give the resistor in Ω, such as 4700.'),
  /** Across a lamp that is lit, V. */
  forward: number()
    .typeError('Give what lies across a lamp in V, such as 2.')
    .min(1, 'Across a lamp lie 1 to 5 V.')
    .max(5, 'Across a lamp lie 1 to 5 V.')
    .required('Give what lies across a lamp in V, such as 2.'),
  /** Whether a diode lies across each lamp, the other way round. */
  guard: boolean().required(),
}).noUnknown();
export type Plug = Shape<typeof plugSchema>;
/** A tell-tale as the handbook of the trade has it. */
export const USUAL_PLUG: Plug = { supply: 'P48', ohms: 4700, forward: 2, guard: true };

const volt = number()
  .typeError('Give it in V.')
  .min(-200, 'That is no line of audio.')
  .max(200, 'That is no line of audio.');
/** Something that was seen of a line, or said of it. `taken-back`: what was seen of it in this sweep does not count. */
export const lookSchema = object({
  id: uuid(),
  at: instant(),
  /** Who looked: the name that this browser goes by. */
  by: string().max(80).required('Say who looks.'),
  way: number().integer('A way is a whole number.').min(0).max(100_000).required('Say which way it is.'),
  kind: string()
    .oneOf(['lamps', 'volts', 'note', 'taken-back'] as const, 'It is lamps, volts, a note, or taken back.')
    .required('Say what it is.'),
  lamps: string().oneOf(LAMPS),
  /** Across 2 and 1, 3 and 1, 2 and 3, V. */
  volts: tuple([volt.required(), volt.required(), volt.required()]).optional().default(undefined),
  text: string().max(400),
}).noUnknown();
export type Look = Shape<typeof lookSchema>;
/** So many are sent at once at the most. */
const MOST = 200;
export const looksSchema = object({
  records: array(lookSchema.required())
    .min(1, 'Nothing was seen.')
    .max(MOST, `Send ${MOST} at the most at once.`)
    .required('Say what was seen.'),
  /** What the clock there shows as it is sent. */
  now: instant().optional(),
}).noUnknown();

/** Something that may be wrong with a line. */
export interface Fault {
  readonly id: string;
  readonly says: string;
}
/** What each look may mean, by the circuit. */
export interface Truth {
  readonly plug: Plug;
  /** By what the lamps show: of both lit what they cannot see. */
  readonly lamps: Readonly<Record<Lamps, readonly Fault[]>>;
  /** How a lamp looks on a line that is right. */
  readonly bright: string;
  /** What a meter reads across each pair, for the right line first and then every fault. */
  readonly volts: readonly (Fault & { readonly volts: readonly number[] })[];
  readonly supplyVolts: number;
}

/** What a look says of a line. */
export interface Judged {
  readonly state: 'good' | 'bad';
  /** What was seen: “only 2 lit”, “48.1 V, 0 V, 48.1 V”. */
  readonly says: string;
  /** What it may be; of a good line what would look the same. */
  readonly mayBe: readonly Fault[];
}

const LAMPS_SAY: Readonly<Record<Lamps, string>> = {
  both: 'both lit',
  'only 2': 'only 2 lit',
  'only 3': 'only 3 lit',
  one: 'one lit',
  none: 'none lit',
  flicker: 'flickers',
};

/** A supply may be off by so much of its voltage, and a meter by a little (IEC 61938: 48 ± 4 V; from memory). */
const ALLOWED = 0.1;
/** More than this between the legs is no even pair, as a share of the supply (common practice). */
const UNEVEN = 0.05;
/** Nearer than this to what a fault makes it read, as a share of the supply, it is that fault. */
const ALIKE = 0.15;

const sayVolts = (volts: number): string =>
  `${Math.abs(volts) < 0.05 ? '0' : String(Math.round(volts * 10) / 10)} V`;

/** What is said of a line that was measured. */
function judgedVolts(read: readonly number[], truth: Truth): Judged {
  const { supplyVolts, volts } = truth;
  const [right] = volts;
  const passes = (of: readonly number[]): boolean =>
    right?.volts.every(
      (each, n) => Math.abs(each - (of[n] ?? 0)) <= (n === 2 ? UNEVEN : ALLOWED) * supplyVolts,
    ) ?? false;
  const isGood = passes(read);
  // What reads as a line that is right is no reason for one that does not, and the other way round.
  const alike = volts.filter(
    (row) =>
      row.id !== 'good' &&
      passes(row.volts) === isGood &&
      row.volts.every((each, n) => Math.abs(each - (read[n] ?? 0)) <= ALIKE * supplyVolts),
  );
  return {
    state: isGood ? 'good' : 'bad',
    says: `2 to 1 ${sayVolts(read[0] ?? 0)}, 3 to 1 ${sayVolts(read[1] ?? 0)}, 2 to 3 ${sayVolts(read[2] ?? 0)}`,
    mayBe:
      isGood || alike.length > 0
        ? alike.map(({ id, says }) => ({ id, says }))
        : [{ id: 'loaded', says: 'something that draws on the line, or another supply' }],
  };
}

/** What a look says of its line; nothing of a note, or of what is taken back. Phantom that is off is no fault of the line, and is said apart. */
export function judged(look: Pick<Look, 'kind' | 'lamps' | 'volts'>, truth: Truth): Judged | undefined {
  if (look.kind === 'volts' && look.volts) return judgedVolts(look.volts, truth);
  if (look.kind !== 'lamps' || !look.lamps) return undefined;
  return {
    state: look.lamps === 'both' ? 'good' : 'bad',
    says: LAMPS_SAY[look.lamps],
    mayBe: truth.lamps[look.lamps],
  };
}

/** What it may be, in a line: “3 open, or 1 and 3 shorted”. A bad joint is one, at whatever contact. */
export const sayFaults = (faults: readonly Fault[], or = ', or '): string => {
  const says = [
    ...new Set(
      faults.map(({ id, says: each }) => (id.startsWith('weak') ? each.replace(/ in \d$/, '') : each)),
    ),
  ];
  return says.length < 2 ? (says[0] ?? '') : `${says.slice(0, -1).join(', ')}${or}${says.at(-1) ?? ''}`;
};

/**
 * Where to look first, by what it may be (handbook of the trade: breaks sit at the strain relief; places of a crossing need an
 * eye).
 */
export function likelyPlace(faults: readonly Fault[]): string {
  const has = (start: string): boolean => faults.some(({ id }) => id.startsWith(start));
  const places = [
    ...(has('loose') ? ['where it moves: strain relief, plug and socket'] : []),
    ...(has('open') ? ['a break, most often at the strain relief, then at a joint'] : []),
    ...(has('short') ? ['strands or solder between contacts, or a core that was crushed'] : []),
    ...(has('swap') ? ['a joint that was made so: compare both ends'] : []),
    ...(has('loaded') ? ['what else is plugged into it'] : []),
  ];
  return capital(places.join('; '));
}
