import { array, boolean, object, string } from 'yup';
import type { Shape } from '../quantity';
import { COLOUR_CODES } from './colours';
import { entryId, entryName, memberId, positive, source } from './member';

const conductor = object({
  id: memberId,
  is: string()
    .oneOf(['core', 'screen', 'drain'] as const)
    .required(),
  colour: string().oneOf(COLOUR_CODES).required(),
  /** Which pair or colour family it belongs to, where there are several. */
  pair: string(),
  /** Ω/km at 20 °C. */
  ohmsPerKm: positive,
  /** Over the insulation, mm; for a screen, the twisted bundle. */
  outerMm: positive,
  /** Bare copper, mm: the bundle that goes into a cup. */
  copperMm: positive,
}).noUnknown();
export type CableConductor = Shape<typeof conductor>;

/** A cable as it comes off the reel. Fields left out are not known. */
export const cableSchema = object({
  id: entryId,
  name: entryName,
  kind: string()
    .oneOf(['pair', 'quad', 'coax', 'twin', 'multipair', 'loudspeaker', 'hook-up', 'litz'] as const)
    .required(),
  screen: string()
    .oneOf(['braid', 'spiral', 'foil', 'none'] as const)
    .required(),
  conductors: array(conductor).min(1).max(160).required(),
  /** Cores in the order they lie round the cable, where that matters. */
  around: array(memberId).optional(),
  jacketMm: positive,
  jacketColour: string().oneOf(COLOUR_CODES),
  /**
   * As it is measured, pF/m: between the two legs with the screen left floating; and one leg (or the only core) to the
   * screen and the other leg joined. A leg of a star quad is two cores.
   */
  pFPerMetre: object({ coreToCore: positive, coreToScreen: positive.required() })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** Whether it stands being walked on, coiled and pulled. */
  flex: string()
    .oneOf(['stage', 'rack', 'fixed'] as const)
    .required(),
  /** A black conductive layer over the core insulation that has to be peeled back. */
  conductiveLayer: boolean(),
  /** How far along the cable one turn of the pair or the quad goes, mm. */
  layMm: positive,
  /** The hottest it may get, °C. */
  maxCelsius: positive,
  /** What it is not for, where that is easily got wrong. */
  watch: string().max(200),
  source,
}).noUnknown();
export type CableEntry = Shape<typeof cableSchema>;

/** Whether there is a jacket to take off: loose hook-up wires without a screen round them have none. */
export const isJacketed = ({ kind, screen }: Pick<CableEntry, 'kind' | 'screen'>): boolean =>
  kind !== 'hook-up' || screen !== 'none';
