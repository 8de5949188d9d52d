import { array, number, object, string } from 'yup';
import { bad, formatLength, good, readShape, type Result, type Shape } from '../quantity';

/** The version of files of what was read of a break written today. */
export const BREAK_VERSION = 1;

const measured = object({
  /** The end that it was read at: the first of the cable, or its other. */
  at: string()
    .oneOf(['near', 'far'] as const)
    .required(),
  /** The broken core against all else tied together, F. */
  farads: number().positive().max(1),
  /** Round the loop to the short, Ω. */
  ohms: number().min(0).max(1e6),
}).noUnknown();

/** What was read of a broken or shorted core from one end of its cable, or from both. */
export const breakSchema = object({
  version: number()
    .oneOf([BREAK_VERSION] as const)
    .required(),
  is: string()
    .oneOf(['open', 'short'] as const)
    .required(),
  /** Jacket from end to end, mm. */
  lengthMm: number().positive().max(1e7).required(),
  readings: array(measured.required()).min(1).max(2).required(),
  /** Of the core to all else tied together, pF/m: what one end alone needs. */
  picofaradsPerMetre: number().positive().max(1e5),
  /** Round the loop, both conductors, Ω/m. */
  ohmsPerMetre: number().positive().max(1e4),
  /** How far the meter may be off: a share, and what is always left over, pF and Ω. */
  meter: object({
    share: number().min(0).max(0.5).required(),
    picofarads: number().min(0).max(1e6).required(),
    ohms: number().min(0).max(1e3).required(),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
}).noUnknown();
export type BreakReadings = Shape<typeof breakSchema>;

/** A common meter: 2 % and 3 pF of its leads on a capacitance range; 0.03 Ω left of leads that were nulled (from memory). */
export const USUAL_LOCATING = { share: 0.02, picofarads: 3, ohms: 0.03 } as const;
/** How far an entry for a cable may be from the cable in the hand: its capacitance, its copper (from memory). */
const ENTRY_OFF = { picofarads: 0.15, ohms: 0.1 } as const;
/** Jacket that a strain relief grips or bends, mm (from memory). */
const RELIEF = 80;
/** Cut so far beyond where it may be, mm (from memory). */
const BEYOND = 20;

/** Where along a cable something is, from its near end, mm; between what it lies, by the meter. */
export interface Located {
  readonly mm: number;
  readonly fromMm: number;
  readonly toMm: number;
  /** What it is reckoned by, in words. */
  readonly by: string;
  readonly says: string;
  /** At whose strain relief it may lie; breaks sit there (common practice). */
  readonly relief?: 'near' | 'far';
  /** Where to cut, from the near end, and the piece that stays. */
  readonly cut: { readonly atMm: number; readonly keep: 'near' | 'far'; readonly leftMm: number };
}

interface Span {
  readonly low: number;
  readonly mid: number;
  readonly high: number;
}

const around = (value: number, share: number, least: number): Span => ({
  low: Math.max(0, value * (1 - share) - least),
  mid: value,
  high: value * (1 + share) + least,
});

/** Where an open lies, as a share of the length: by both capacitances, C near ÷ (C near + C far) (handbook, section 10), or by one and the cable's own. */
function openAt(
  { lengthMm, picofaradsPerMetre, meter = USUAL_LOCATING }: BreakReadings,
  at: (end: 'near' | 'far') => BreakReadings['readings'][number] | undefined,
): Result<Span & { readonly by: string }> {
  const read = (end: 'near' | 'far'): Span | undefined => {
    const farads = at(end)?.farads;
    return farads === undefined ? undefined : around(farads * 1e12, meter.share, meter.picofarads);
  };
  const [near, far] = [read('near'), read('far')];
  if (near && far) {
    const share = (a: number, b: number): number => (a + b === 0 ? 0.5 : a / (a + b));
    return good({
      low: share(near.low, far.high),
      mid: share(near.mid, far.mid),
      high: share(near.high, far.low),
      by: 'capacitance from both ends: near ÷ (near + far) of the length',
    });
  }
  const one = near ?? far;
  if (!one) return bad('break.farads', 'A break is found by capacitance: give farads.', 'readings[0].farads');
  if (picofaradsPerMetre === undefined)
    return bad(
      'break.per-metre',
      'From one end alone the capacitance of a metre is needed: measure the other end too, or give it.',
      'picofaradsPerMetre',
    );
  const whole = (picofaradsPerMetre * lengthMm) / 1000;
  const entry = around(whole, ENTRY_OFF.picofarads, 0);
  const from = { low: one.low / entry.high, mid: one.mid / whole, high: one.high / entry.low };
  const by = `capacitance from one end, ${picofaradsPerMetre} pF to a metre`;
  return good(near ? { ...from, by } : { low: 1 - from.high, mid: 1 - from.mid, high: 1 - from.low, by });
}

/** Where a short lies: half the difference of the two loops is how far it is from the middle, whatever it has itself; from one end no further than its loop. */
function shortAt(
  { lengthMm, ohmsPerMetre, meter = USUAL_LOCATING }: BreakReadings,
  at: (end: 'near' | 'far') => BreakReadings['readings'][number] | undefined,
): Result<Span & { readonly by: string }> {
  const [near, far] = [at('near')?.ohms, at('far')?.ohms];
  if (near === undefined && far === undefined)
    return bad('break.ohms', 'A short is found by its loop resistance: give ohms.', 'readings[0].ohms');
  if (near !== undefined && far !== undefined) {
    const off = (value: number): number => value * meter.share + meter.ohms;
    const total = near + far;
    const loop = ohmsPerMetre === undefined ? total : (ohmsPerMetre * lengthMm) / 1000;
    if (loop <= 0)
      return bad('break.ohms', 'Both loops read nothing: the short cannot be placed by them.', 'readings');
    const mid = 0.5 + (near - far) / (2 * loop);
    const wide =
      (off(near) + off(far)) / (2 * loop) +
      (ohmsPerMetre === undefined ? 0 : Math.abs(mid - 0.5) * ENTRY_OFF.ohms);
    return good({
      low: mid - wide,
      mid,
      high: mid + wide,
      by:
        ohmsPerMetre === undefined
          ? 'loop resistance from both ends, the short itself taken for nothing'
          : 'loop resistance from both ends: what the short itself has cancels',
    });
  }
  if (ohmsPerMetre === undefined)
    return bad(
      'break.loop',
      'From one end alone the resistance of a metre of the loop is needed: measure the other end too, or give it.',
      'ohmsPerMetre',
    );
  const read = around(near ?? far ?? 0, meter.share, meter.ohms);
  const whole = (ohmsPerMetre * lengthMm) / 1000;
  const furthest = read.high / (whole * (1 - ENTRY_OFF.ohms));
  const by = 'loop resistance from one end: no further than that, since the short has some of its own';
  return good(
    near !== undefined
      ? { low: 0, mid: Math.min(read.mid / whole, furthest), high: furthest, by }
      : { low: 1 - furthest, mid: 1 - Math.min(read.mid / whole, furthest), high: 1, by },
  );
}

/** A length as it is said of a cable, in m. */
const metres = (mm: number): string => formatLength(Math.round(mm), 'metric');

/**
 * Where a core is broken, or shorted to what lies round it, from what was read at one end of the cable or at both: the place, the range by the meter, where
 * to cut and what is left. Errors: `break.twice`, `break.farads`, `break.ohms`, `break.per-metre`, `break.loop`.
 *
 *     locate({ version: 1, is: 'open', lengthMm: 10_000, readings: [{ at: 'near', farads: 200e-12 },
 *       { at: 'far', farads: 600e-12 }] }); // 2.5 m from the near end
 */
export function locate(readings: BreakReadings): Result<Located> {
  const { is, lengthMm } = readings;
  const places = readings.readings.map(({ at }) => at);
  if (new Set(places).size < places.length)
    return bad(
      'break.twice',
      'Both readings are of one end: the other has to be of the other.',
      'readings[1].at',
    );
  const at = (end: 'near' | 'far') => readings.readings.find((each) => each.at === end);
  const found = is === 'open' ? openAt(readings, at) : shortAt(readings, at);
  if (!found.ok) return found;
  const inside = (share: number): number => Math.min(1, Math.max(0, share)) * lengthMm;
  const { low, mid, high, by } = found.value;
  const [fromMm, mm, toMm] = [inside(low), inside(mid), inside(high)];
  const relief = fromMm <= RELIEF ? 'near' : lengthMm - toMm <= RELIEF ? 'far' : undefined;
  const keepsFar = lengthMm - toMm >= fromMm;
  const atMm = keepsFar ? Math.min(lengthMm, toMm + BEYOND) : Math.max(0, fromMm - BEYOND);
  return good({
    mm,
    fromMm,
    toMm,
    by,
    ...(relief ? { relief } : {}),
    says: `${is === 'open' ? 'The break' : 'The short'} lies about ${metres(mm)} from the near end, between ${metres(fromMm)} and ${metres(toMm)}${
      relief ? `: look first at the strain relief of the ${relief} end, where breaks sit` : ''
    }.`,
    cut: { atMm, keep: keepsFar ? 'far' : 'near', leftMm: keepsFar ? lengthMm - atMm : atMm },
  });
}

/** Reads what was read of a break. Errors: each at its field. */
export const readBreak = (document: unknown): Result<BreakReadings> => readShape(breakSchema, document);
