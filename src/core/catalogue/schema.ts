import { array, boolean, number, object, string, type ObjectSchema } from 'yup';
import { COLOUR_CODES } from './colours';
import { FORMAT_IDS } from './formats';
import { SIGNALS, type CableEntry, type ConnectorEntry } from './types';

const id = string()
  .required()
  .matches(/^[a-z0-9][a-z0-9-]*$/, 'must be lower-case letters, digits and dashes');
const name = string().required().max(120);
/** Contact and conductor ids stand in terminal names, so they may not hold the signs that those are split at. */
export const memberId = string()
  .required()
  .matches(/^[A-Za-z0-9+_-][A-Za-z0-9+._-]*$/, 'may hold letters, digits, + . _ and - only')
  .max(40);
const positive = number().positive().max(1e9);
const source = string().required().max(300);

const place = object({ contact: memberId, x: number().required(), y: number().required() }).noUnknown();
const range = object({
  min: positive.required(),
  max: positive.required(),
  usual: positive.required(),
}).noUnknown();

/** Channel → role → contact. The names are open: a format is known by its id. */
const layout = object({
  id,
  format: string().oneOf(FORMAT_IDS).required(),
  name,
  roles: object().required(),
  asks: boolean(),
  shorts: boolean(),
  source,
}).noUnknown();

export const connectorSchema = object({
  id,
  name,
  family: id,
  familyName: string().max(40),
  meets: string().oneOf(['out', 'in']),
  signals: array(string().oneOf(SIGNALS).required()).optional(),
  mount: string().oneOf(['cable', 'panel']),
  angle: string().oneOf(['straight', 'right-angle']),
  layouts: array(layout).optional(),
  outline: array(
    object({
      length: positive.required(),
      from: positive.required(),
      to: positive.required(),
      of: string().oneOf(['metal', 'insulator', 'boot']).required(),
      contact: string(),
    }).noUnknown(),
  ).optional(),
  gender: string().oneOf(['plug', 'socket', 'none']).required(),
  contacts: array(
    object({
      id: memberId,
      name,
      takes: string().oneOf(['cup', 'tab', 'lug', 'screw', 'pad']),
      boreMm: positive,
    }).noUnknown(),
  )
    .min(1)
    .max(64)
    .required(),
  shell: boolean().required(),
  bonded: array(array(memberId).min(2).required()).optional(),
  views: object({
    mating: array(place).required(),
    solder: array(place).optional(),
    insertRadiusMm: positive.required(),
    keyed: boolean().required(),
    source,
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  threadOn: array(string().required()).optional(),
  cableMm: object({ min: positive.required(), max: positive.required() })
    .noUnknown()
    .default(undefined)
    .optional(),
  reachMm: object({ face: number().min(0).required(), tip: number().min(0).required() })
    .noUnknown()
    .default(undefined)
    .optional(),
  strip: object({ jacketMm: range.required(), bareMm: range.required(), source })
    .noUnknown()
    .default(undefined)
    .optional(),
  clamp: string(),
  source,
}).noUnknown() as unknown as ObjectSchema<ConnectorEntry>;

export const cableSchema = object({
  id,
  name,
  kind: string()
    .oneOf(['pair', 'quad', 'coax', 'twin', 'multipair', 'loudspeaker', 'hook-up', 'litz'])
    .required(),
  screen: string().oneOf(['braid', 'spiral', 'foil', 'none']).required(),
  conductors: array(
    object({
      id: memberId,
      is: string().oneOf(['core', 'screen', 'drain']).required(),
      colour: string().oneOf(COLOUR_CODES).required(),
      pair: string(),
      ohmsPerKm: positive,
      outerMm: positive,
      copperMm: positive,
    }).noUnknown(),
  )
    .min(1)
    .max(128)
    .required(),
  around: array(memberId).optional(),
  jacketMm: positive,
  jacketColour: string().oneOf(COLOUR_CODES),
  pFPerMetre: object({ coreToCore: positive, coreToScreen: positive.required() })
    .noUnknown()
    .default(undefined)
    .optional(),
  flex: string().oneOf(['stage', 'rack', 'fixed']).required(),
  conductiveLayer: boolean(),
  layMm: positive,
  maxCelsius: positive,
  watch: string().max(200),
  source,
}).noUnknown() as unknown as ObjectSchema<CableEntry>;
