import { number, object } from 'yup';

/** A figure that no source settles: what it usually is, and between what it lies. From memory. */
export interface Unsettled {
  readonly name: string;
  readonly unit: string;
  readonly low: number;
  readonly usual: number;
  readonly high: number;
}

const between = (name: string, unit: string, low: number, usual: number, high: number): Unsettled => ({
  name,
  unit,
  low,
  usual,
  high,
});

/**
 * What cable, contacts and equipment are beyond what their entries give. All of it from memory: whoever knows one better
 * for what is at hand puts it in its place, and it is no longer unsettled.
 */
export const FACTS = {
  /** Of every capacitance that a cable’s entry gives. */
  capacitance: between('capacitance of the cable against its entry', '×', 0.75, 1, 1.3),
  /** Of a pair, or of a core and its screen. */
  loopMicroHenries: between('loop inductance', 'µH/m', 0.45, 0.6, 0.8),
  /** Of the loop that a screen makes with the world around. */
  outerMicroHenries: between('inductance of the screen’s outer loop', 'µH/m', 0.7, 1, 1.5),
  /** What of a screen’s field its cores do not share. */
  leakageNanoHenries: between('leakage of the screen’s transfer impedance', 'nH/m', 0, 1, 5),
  /** Or of cores whose entry does not say. */
  besidePicoFarads: between('capacitance between legs that are not screened', 'pF/m', 30, 55, 90),
  /** Between cores of pairs that lie side by side, through their screens. */
  pairToPairPicoFarads: between('capacitance from pair to pair', 'pF/m', 0.01, 0.05, 0.3),
  screenToScreenPicoFarads: between('capacitance from screen to screen', 'pF/m', 50, 120, 250),
  /** How far from equal the two legs of a pair lie to their screen, share of the capacitance. */
  unbalance: between('unbalance of a pair’s capacitance', '', 0.005, 0.02, 0.05),
  /** A metre of cable between two of its conductors: soft PVC at the low end, polyethylene at the high. */
  insulationGigaOhmMetres: between('insulation of a metre of cable', 'GΩ', 1, 100, 10_000),
  contactMilliOhms: between('touch of plug and socket', 'mΩ', 1, 10, 30),
  jointMilliOhms: between('a joint', 'mΩ', 0.2, 1, 5),
  /** Of the mains earth between two chassis. */
  earthOhms: between('earth between the two ends', 'Ω', 0.02, 0.1, 1),
  /** How far apart the source impedances of hot and cold are. */
  imbalanceOhms: between('imbalance of a balanced source', 'Ω', 1, 10, 30),
  /** From each winding of an output transformer to its core. */
  windingPicoFarads: between('capacitance of a transformer’s winding to its core', 'pF', 20, 50, 200),
  /** From each leg of a cross-coupled output to its ground. */
  crossCommonKiloOhms: between('each leg of a cross-coupled output to ground', 'kΩ', 5, 10, 30),
  /** What a phantom powered microphone takes: 3 mA in all on P48. */
  microphoneKiloOhms: between('what a phantom powered microphone is to each leg', 'kΩ', 12, 25.2, 80),
  plugInKiloOhms: between('feed of plug-in power', 'kΩ', 1, 2.2, 7),
} as const satisfies Readonly<Record<string, Unsettled>>;

export type FactId = keyof typeof FACTS;
/** A value for each, in the unit that {@link FACTS} has. */
export type Facts = Readonly<Record<FactId, number>>;
/** Those of them that are known better. */
export type KnownFacts = { readonly [Id in FactId]?: number | undefined };

/** So many times over the highest, or under the lowest, and it is a slip of the hand. */
const SLIP = 1000;
/** Between what a figure from memory may be known better, in its own unit. */
export const boundsOf = (id: FactId): { readonly least: number; readonly most: number } => ({
  least: FACTS[id].low / SLIP,
  most: FACTS[id].high * SLIP,
});

export const FACT_IDS = Object.keys(FACTS) as readonly FactId[];

/** What they are where nobody knows better. */
export const USUAL: Facts = Object.fromEntries(FACT_IDS.map((id) => [id, FACTS[id].usual])) as Record<
  FactId,
  number
>;

/** Figures known better, checked: each within what is let in for it, in its own unit. */
export const factsSchema = object(
  Object.fromEntries(
    FACT_IDS.map((id) => {
      const { least, most } = boundsOf(id);
      const says = `${FACTS[id].name}: a number from ${least} to ${most}, in ${FACTS[id].unit || 'parts of the whole'}.`;
      return [id, number().typeError(says).min(least, says).max(most, says)] as const;
    }),
  ) as { [Id in FactId]: ReturnType<typeof number> },
)
  .noUnknown(true, 'Nothing is known from memory by the name of ${unknown}: leave it out.')
  .default(undefined)
  .optional();

/** What they are when some are known better, the later before the earlier. */
export function factsWith(...known: readonly (KnownFacts | undefined)[]): Facts {
  const facts: Record<FactId, number> = { ...USUAL };
  for (const each of known)
    for (const id of FACT_IDS) {
      const value = each?.[id];
      if (value !== undefined) facts[id] = value;
    }
  return facts;
}
