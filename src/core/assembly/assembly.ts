import { array, boolean, number, object, string } from 'yup';
import { cableSchema, COLOUR_CODES, connectorSchema, memberId, TAIL_FINISHES } from '../catalogue';
import type { Shape } from '../quantity';
import { dressingSchema } from './dressings';
import { documentId } from './member';
import { partSchema } from './parts';

/** The assembly format written today. Older ones are brought up to it by `readAssembly`. */
export const ASSEMBLY_VERSION = 8;

/**
 * The name of a place where metal can be joined. Four kinds, told apart by what the part before the first dot is:
 * `A.2` contact 2 (or `shell`) of end A · `box.case` the case of a body · `R1.a` lead a of a part ·
 * `W1.white@a` conductor white of span W1, at its side in body a.
 */
export type Terminal = string;

const name = string().required().max(120);
export const terminalSchema = string()
  .required()
  .max(120)
  .matches(/^[^.@\s]+\.[^@\s]+(?:@[^.@\s]+)?$/, 'is not a terminal: write A.2, box.case, R1.a or W1.white@a');

/** Why something is the way it is, in the builder's words; which school decided it; where the rule comes from. */
export const becauseSchema = object({
  says: string().required().max(400),
  school: string(),
  source: string(),
}).noUnknown();
export type Because = Shape<typeof becauseSchema>;

export const HOWS = ['cup', 'tab', 'lug', 'pad', 'air', 'link', 'screw', 'crimp', 'continues'] as const;
/** How a joint is made; `continues`: uncut through a break-out. */
export type How = (typeof HOWS)[number];

/** Terminals made one, all in the same body. */
export const jointSchema = object({
  id: documentId,
  terminals: array(terminalSchema).min(2).required(),
  how: string().oneOf(HOWS).required(),
  sleeve: string(),
  because: becauseSchema.default(undefined).optional(),
}).noUnknown();
export type Joint = Shape<typeof jointSchema>;

/** A loose contact of a tail: a bare, tinned or pinned wire that meets the world by itself. */
const looseContact = object({
  id: memberId,
  name,
  legMm: number().positive(),
  colour: string().oneOf(COLOUR_CODES),
  sleeve: string(),
  /** How its strands end. */
  finish: string().oneOf(TAIL_FINISHES),
}).noUnknown();
export type LooseContact = Shape<typeof looseContact>;

/** Contacts that meet the world: a connector of the catalogue, or a tail's loose contacts. */
const endSchema = object({
  id: documentId,
  connector: string().min(1),
  loose: array(looseContact).optional(),
  mount: string()
    .oneOf(['cable', 'panel'] as const)
    .required(),
  madeOn: string()
    .oneOf(['bench', 'site'] as const)
    .required(),
})
  .noUnknown()
  .test(
    'one',
    'must be either a connector or loose contacts',
    (value) => Boolean(value.connector) !== Boolean(value.loose),
  )
  .meta({
    jsonSchema: {
      oneOf: [
        { properties: { connector: {} }, required: ['connector'] },
        { properties: { loose: {} }, required: ['loose'] },
      ],
    },
  });
export type End = Shape<typeof endSchema>;

/** Where joints are made. */
const bodySchema = object({
  id: documentId,
  kind: string()
    .oneOf(['shell', 'barrel', 'breakout', 'box', 'device', 'tail'] as const)
    .required(),
  name,
  /** Metal case that joints can be made to: the terminal `<body>.case`. */
  case: boolean(),
  ends: array(endSchema).required(),
  parts: array(partSchema).required(),
  /** Which spans come in through which opening. */
  entries: array(
    object({ gland: string().required(), spans: array(documentId).min(1).required() }).noUnknown(),
  ).required(),
  joints: array(jointSchema).required(),
  /** Joints that are there already and not ours to make. */
  existing: array(jointSchema).optional(),
  /** Its connector, the cable in it and their joints are as they came, from a donor lead: nothing is made here. */
  asItCame: boolean(),
}).noUnknown();
export type Body = Shape<typeof bodySchema>;
export type BodyKind = Body['kind'];

/** A run of cable between two bodies. `carries` names the conductors when only some of the cable goes this way. */
const spanSchema = object({
  id: documentId,
  cable: string().required(),
  from: documentId,
  to: documentId,
  carries: array(memberId).min(1).optional(),
}).noUnknown();
export type Span = Shape<typeof spanSchema>;

export const UNJOINED = ['cut back', 'insulated', 'spare'] as const;

/** What was done with one side of a conductor that is in no joint. */
const unjoinedSchema = object({
  at: terminalSchema,
  is: string().oneOf(UNJOINED).required(),
  because: becauseSchema.required(),
}).noUnknown();
export type Unjoined = Shape<typeof unjoinedSchema>;

export const DATUM_KINDS = ['face', 'tip', 'jacket'] as const;
export type Datum = (typeof DATUM_KINDS)[number];

/** A length asked for, between two ends or bodies, along the spans between them. */
const askedLength = object({
  from: documentId,
  to: documentId,
  datum: string().oneOf(DATUM_KINDS).required(),
  mm: number().positive().max(1e6).required(),
  /** As it was typed, where that is not how it would be said anyway. */
  said: string().max(40),
}).noUnknown();
export type AskedLength = Shape<typeof askedLength>;

/**
 * What a lead is. Everything else that is known of a lead is computed from this. Joints live in the body they are
 * made in; the catalogue entries it uses are embedded, so that later catalogue edits never rewrite a lead. What its
 * names refer to is checked by `readAssembly`.
 */
export const assemblySchema = object({
  version: number()
    .oneOf([ASSEMBLY_VERSION] as const)
    .required(),
  bodies: array(bodySchema).min(1).required(),
  spans: array(spanSchema).required(),
  unjoined: array(unjoinedSchema).required(),
  dressings: array(dressingSchema).required(),
  lengths: array(askedLength).required(),
  uses: object({ connectors: array(connectorSchema).required(), cables: array(cableSchema).required() })
    .noUnknown()
    .required(),
}).noUnknown();
export type Assembly = Shape<typeof assemblySchema>;
