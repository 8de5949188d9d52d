import { array, boolean, number, object, string } from 'yup';
import { DATUM_KINDS } from '../assembly';
import { COLOUR_CODES } from '../catalogue';
import type { Shape } from '../quantity';

const words = () => string().required();
const mm = () => number().required();
const count = () => number().integer().min(0).required();

const allowance = object({ what: words(), mm: mm(), because: words() }).noUnknown();

/** One thing that is laid out; alike things of several leads are one. */
const item = object({
  id: words(),
  /** What it is on the shelf and in a price list. */
  item: words(),
  what: words(),
  count: count(),
  /** Of all of them together, mm. */
  mm: number().min(0),
  /** What is cut from a length, without how long it is cut here. */
  name: string().min(1),
  detail: words(),
  /** The builder has it: nothing is taken for it. */
  owned: boolean(),
  dressings: array(words()),
}).noUnknown();

const cut = object({
  lead: words(),
  span: words(),
  cable: words(),
  /** So many of this length. */
  count: count(),
  allowances: array(allowance.required()).required(),
  total: mm(),
  /** A donor lead is cut to it, from this end, which stays as it came. */
  from: object({ end: words(), datum: string().oneOf(DATUM_KINDS).required() })
    .noUnknown()
    .default(undefined)
    .optional(),
  wires: array(
    object({
      id: words(),
      colour: string().oneOf(COLOUR_CODES).required(),
      mm: mm(),
      because: string(),
    }).noUnknown(),
  ),
}).noUnknown();

const parting = object({
  lead: words(),
  body: words(),
  trunk: words(),
  allowances: array(allowance.required()).required(),
  jacketMm: mm(),
  legs: array(object({ span: words(), mm: mm() }).noUnknown()).required(),
}).noUnknown();

const strip = object({
  lead: words(),
  span: words(),
  body: words(),
  end: words(),
  jacket: string()
    .oneOf(['off', 'parted', 'none'] as const)
    .required(),
  jacketMm: mm(),
  bareMm: mm(),
  conductors: array(
    object({ id: words(), mm: mm(), bareMm: mm(), because: string() }).noUnknown(),
  ).required(),
  source: words(),
}).noUnknown();

const remade = object({
  lead: words(),
  end: words(),
  allowances: array(allowance.required()).required(),
  lostMm: mm(),
  insideMm: number().moreThan(0).optional(),
  /** It is glued shut: cut off, and a new one taken. */
  glued: boolean().optional(),
  lengths: array(
    object({
      from: words(),
      to: words(),
      mm: mm(),
      datum: string().oneOf(DATUM_KINDS).required(),
      said: string(),
      leftMm: number().required(),
    })
      .noUnknown()
      .required(),
  ).required(),
}).noUnknown();

const fit = object({
  lead: words(),
  id: words(),
  pair: words(),
  at: words(),
  says: words(),
  has: words(),
  takes: words(),
  marginMm: number(),
  verdict: string()
    .oneOf(['fits', 'tight', 'not', 'measure'] as const)
    .required(),
  todo: string(),
}).noUnknown();

/** The kit of one lead or several, as the shell prints it. */
export const kitFileSchema = object({
  version: number()
    .oneOf([1] as const)
    .required(),
  leads: array(object({ name: words(), units: count(), pairs: boolean().required() }).noUnknown()).required(),
  items: array(item.required()).required(),
  cuts: array(cut.required()).required(),
  partings: array(parting.required()).required(),
  strips: array(strip.required()).required(),
  remade: array(remade.required()).required(),
  fits: array(fit.required()).required(),
  tools: array(
    object({ id: words(), what: words(), set: string(), because: words() }).noUnknown().required(),
  ).required(),
  /** Where prices are known: what one of each lead costs. */
  costs: array(
    object({
      lead: words(),
      lines: array(object({ what: words(), cost: number().min(0).required() }).noUnknown()).required(),
      unpriced: array(words()).required(),
      material: number().min(0).required(),
      minutes: number().min(0).required(),
      pace: words(),
      labour: number().min(0),
      total: number().min(0).required(),
      bought: object({
        price: number().min(0).required(),
        saving: number().required(),
        breakEven: count().optional(),
      })
        .noUnknown()
        .default(undefined)
        .optional(),
    }).noUnknown(),
  ),
}).noUnknown();
export type KitFile = Shape<typeof kitFileSchema>;
