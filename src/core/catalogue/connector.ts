import { array, boolean, number, object, string } from 'yup';
import { record, type Shape } from '../quantity';
import { FORMAT_IDS } from './formats';
import { entryId, entryName, memberId, positive, source } from './member';
import { ROLES } from './roles';

/** What kind of signal a port has, which decides what connectors it comes on. */
export const SIGNALS = [
  'microphone',
  'line',
  'instrument',
  'headphone',
  'loudspeaker',
  'pickup',
  'insert',
  'intercom',
  'patch',
  'data',
  'test',
] as const;
export type Signal = (typeof SIGNALS)[number];

/** Which contact has which role. */
export const roleMap = object({
  hot: memberId.optional(),
  cold: memberId.optional(),
  screen: memberId.optional(),
  return: memberId.optional(),
  plus: memberId.optional(),
  minus: memberId.optional(),
  supply: memberId.optional(),
  earth: memberId.optional(),
} satisfies Record<(typeof ROLES)[number], unknown>).noUnknown();
export type RoleMap = Shape<typeof roleMap>;

/** Where a contact sits in a view, mm, x to the right and y upward from the centre of the insert. */
const place = object({ contact: memberId, x: number().required(), y: number().required() }).noUnknown();
export type ContactPlace = Shape<typeof place>;

/** What is usual, and between what it lies, mm. */
const range = object({
  min: positive.required(),
  max: positive.required(),
  usual: positive.required(),
}).noUnknown();
export type Range = Shape<typeof range>;

/**
 * How the contacts of one kind of connector are used for one format of signal: for each channel of the format, which
 * contact has which role.
 */
const layout = object({
  id: entryId,
  format: string().oneOf(FORMAT_IDS).required(),
  name: entryName,
  /** Channel → role → contact. */
  roles: record(roleMap.required(), { what: 'The order of the contacts' }),
  /** Makers differ, so the builder has to say which it is. */
  asks: boolean(),
  /** Joins contacts of the socket that should be apart: a TS plug in a TRS socket grounds the ring. */
  shorts: boolean(),
  source,
}).noUnknown();
export type Layout = Shape<typeof layout>;

/** One turned piece of a connector's outline, from the mating face backward, mm; and the contact it is, if it is one. */
const turnedPiece = object({
  length: positive.required(),
  from: positive.required(),
  to: positive.required(),
  of: string()
    .oneOf(['metal', 'insulator', 'boot'] as const)
    .required(),
  contact: string(),
}).noUnknown();
export type Turned = Shape<typeof turnedPiece>;

/** What a conductor goes into. `boreMm`: of the cup, or the hole of the tab. */
const contact = object({
  id: memberId,
  /** What is moulded on it or what the trade calls it. */
  name: entryName,
  takes: string().oneOf(['cup', 'tab', 'lug', 'screw', 'pad'] as const),
  boreMm: positive,
}).noUnknown();
export type ConnectorContact = Shape<typeof contact>;

/**
 * A part of the body that goes over the cable or the insert: before the first joint, because it cannot go on later, or
 * after the last, because it would be in the way; and from which side of the connector.
 */
const bodyPart = object({
  name: string().required().max(60),
  goesOn: string()
    .oneOf(['before', 'after'] as const)
    .required(),
  /** Over the jacket, from the cable; over the mating face, from the front; or laid on from the side, being open or split. */
  from: string()
    .oneOf(['cable', 'front', 'side'] as const)
    .required(),
}).noUnknown();
export type BodyPart = Shape<typeof bodyPart>;

/** How a connector holds its cable. */
export const GRIPS = ['all round', 'one side', 'tab'] as const;

/** A connector as it is bought: contact pattern, body and how it is put on. Fields left out are not known. */
export const connectorSchema = object({
  id: entryId,
  name: entryName,
  /** The contact pattern: connectors of one family mate. */
  family: entryId,
  /** What the family is called in a sentence: “XLR”. */
  familyName: string().max(40),
  gender: string()
    .oneOf(['plug', 'socket', 'none'] as const)
    .required(),
  /** Where it belongs when the family says by gender which way the signal goes: at an output or at an input. */
  meets: string().oneOf(['out', 'in'] as const),
  /** Signals that are usually found on this family. */
  signals: array(string().oneOf(SIGNALS).required()).optional(),
  /** On a cable's end, or in a wall or box. */
  mount: string().oneOf(['cable', 'panel'] as const),
  angle: string().oneOf(['straight', 'right-angle'] as const),
  /** Which contact carries what, by format of signal; the usual one first. None where the builder types the pin list. */
  layouts: array(layout).optional(),
  contacts: array(contact).min(1).max(64).required(),
  /** True when there is a metal shell that can be joined to something: it is then the terminal `shell`. */
  shell: boolean().required(),
  /** Contacts that are one piece of metal, such as the sleeve and the shell of a plug. */
  bonded: array(array(memberId).min(2).required()).optional(),
  views: object({
    /** Seen from the front, key or latch up. */
    mating: array(place).required(),
    /** Seen from behind where that is not simply the mirror of the mating face. */
    solder: array(place).optional(),
    insertRadiusMm: positive.required(),
    keyed: boolean().required(),
    source,
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** Parts of its body in the order they go on: the first goes furthest from the end. */
  bodyParts: array(bodyPart).optional().max(12),
  /** Jacket diameters that the clamp and boot take, mm. */
  cableMm: object({ min: positive.required(), max: positive.required() })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** From the mating face, and from the tip, to the edge of the jacket inside the connector, mm. */
  reachMm: object({ face: number().min(0).required(), tip: number().min(0).required() })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** How far back jacket and insulation come off. */
  strip: object({ jacketMm: range.required(), bareMm: range.required(), source })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** The room for parts inside the closed shell, behind the contacts, mm. */
  innerMm: object({ long: positive.required(), wide: positive.required() })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** The hole in a panel that it is screwed into, mm. */
  holeMm: positive,
  clamp: string(),
  /** How the cable is held: by a clamp round its jacket, at one side of it, or by a tab that is pinched on it. */
  grip: string().oneOf(GRIPS),
  /** What this body is made for, as the end of a sentence, where it is taken for nothing else. */
  bestFor: string().max(120),
  /** Its ground mates no later than its signal. */
  groundFirst: boolean(),
  /** From the side: nominal, for telling ends apart at a glance, not for measuring. */
  outline: array(turnedPiece).optional(),
  source,
}).noUnknown();
export type ConnectorEntry = Shape<typeof connectorSchema>;

/** The parts of its body that cannot go on once there is a joint, first on first. */
export const threadedFirst = (connector: ConnectorEntry): readonly string[] =>
  (connector.bodyParts ?? []).flatMap((part) => (part.goesOn === 'before' ? part.name : []));
/** The parts of its body that go on once it is soldered, first on first. */
export const putOnAfter = (connector: ConnectorEntry): readonly BodyPart[] =>
  (connector.bodyParts ?? []).filter((part) => part.goesOn === 'after');
