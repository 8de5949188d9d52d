import { array, number, object, string } from 'yup';
import { DATUM_KINDS, type Datum } from '../assembly';
import { cableSchema, connectorSchema, PHANTOMS, withBodyParts } from '../catalogue';
import {
  isObject,
  migrated,
  openDocument,
  optionalRecord,
  readShape,
  type DocumentMigration,
  type Earlier,
  type Result,
  type Shape,
} from '../quantity';
import { factsSchema, SURROUNDING_IDS } from '../situation';
import { schoolsSchema } from './schools';

/** The version of intents written today. */
export const INTENT_VERSION = 5;

/** Where the length is measured from and to. */
export const DATUMS = {
  face: 'face to face',
  tip: 'tip to tip',
  jacket: 'jacket to jacket',
} as const satisfies Readonly<Record<Datum, string>>;

/** What it is made as. */
export const FORMS = {
  lead: 'a lead',
  barrel: 'a barrel with no cable',
  plug: 'one plug and nothing else',
  box: 'a box',
} as const;
export type Form = keyof typeof FORMS;
const FORM_IDS = Object.keys(FORMS) as readonly Form[];

const WHERE = `Say where the lead will live: ${SURROUNDING_IDS.slice(0, -1).join(', ')} or ${SURROUNDING_IDS.at(-1)}.`;
const LENGTH_NEEDED = 'A length is needed: write it like 6 m or 20 ft.';
/** The most ends on one side: a stage box of 24 ways, and twice that. */
export const MOST_ENDS = 48;

/** Names and values whose names are open. */
const named = (what: string) =>
  optionalRecord(string().required(`${what}: say what each is, or leave it out.`).max(60), { what });

/** What the builder knows better of the equipment at hand than the list of ports does. Impedance in Ω. */
const portValues = object({
  impedance: number().positive('An impedance is more than nothing.').max(1e8),
  levelDbu: number().min(-150).max(100),
  phantom: string().oneOf(PHANTOMS),
})
  .noUnknown()
  .default(undefined)
  .optional();
export type PortValues = NonNullable<Shape<typeof portValues>>;

/** One end of what a lead is for: what is there, on which connector, and what of that is otherwise than usual. */
export const intentEndSchema = object({
  port: string().required('Say what is at this end.'),
  family: string().required('Say which connector it has at this end.'),
  gender: string().oneOf(['plug', 'socket'] as const, 'Choose plug or socket.'),
  angle: string().oneOf(['straight', 'right-angle'] as const, 'Choose straight or right-angle.'),
  /** Which of the family’s connectors, by id; the one that suits cable and place where none is. */
  body: string().max(60),
  /** Which of the family's layouts, where makers differ. */
  layout: string().max(60),
  /** The equipment's own pin list: role, or channel.role, to contact. */
  pinout: named('The pin list'),
  /** Which channel is on it where several ends share one kind of port: left, right, 1, 2 … */
  channel: string()
    .max(20)
    .matches(/^[a-z0-9-]+$/, 'Name the channel in small letters or digits.'),
  values: portValues,
}).noUnknown();
export type IntentEnd = Shape<typeof intentEndSchema>;

const ends = (missing: string) =>
  array(intentEndSchema.required()).max(MOST_ENDS, 'At most 48 ends on a side.').required(missing);

/** What a lead is for. Same intent and schools, same assembly, same ids. */
export const intentSchema = object({
  version: number()
    .oneOf([INTENT_VERSION] as const, 'This intent was written by another version of Antler.')
    .required(),
  from: ends('Say what it comes from: a list of ends.'),
  to: ends('Say what it goes to: a list of ends.'),
  /** A lead, where nothing is said. */
  form: string().oneOf(FORM_IDS, 'Say what it is made as.'),
  /** The recipe that was chosen; the best that fits where none is. */
  wiring: string().max(60),
  length: object({
    mm: number()
      .typeError(LENGTH_NEEDED)
      .required(LENGTH_NEEDED)
      .min(100, 'A lead shorter than 100 mm has no cable left between its connectors: ask for more.')
      .max(300_000, 'Longer than 300 m is not a lead: check the unit.'),
    datum: string().oneOf(DATUM_KINDS, 'Measure face to face, tip to tip or jacket to jacket.').required(),
    /** As it was typed, where that is not how it would be said anyway. */
    said: string().max(40),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** Length of each leg beyond a break-out, part of the length. */
  legs: object({
    mm: number().min(60, 'A leg shorter than 60 mm cannot be soldered.').max(20_000).required(LENGTH_NEEDED),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  surroundings: string().oneOf(SURROUNDING_IDS, WHERE).required(WHERE),
  /** Chosen where it is left out. */
  cable: string(),
  /** The narrowest place that the run has to be pulled through, mm across. */
  through: object({ mm: number().min(3, 'Nothing goes through less than 3 mm.').max(500).required() })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** Answers to what the recipe asks. */
  choices: named('The choices'),
  /** Refusals that the builder overrules, by id. */
  anyway: array(string().required().max(60)).optional().max(20),
  /** Connectors and cables of the workshop's own that it uses. */
  own: object({
    connectors: array(connectorSchema.required()).optional().max(20),
    cables: array(cableSchema.required()).optional().max(20),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** What is known better of cable and equipment than from memory. */
  facts: factsSchema,
  schools: schoolsSchema.required('The schools are missing: give {} where there are none.'),
}).noUnknown();
export type Intent = Shape<typeof intentSchema>;

/** The workshop’s own connectors in an intent, as they were written before their bodies had parts. */
function ownWithBodyParts(document: Earlier): Earlier {
  const { own } = document;
  if (!isObject(own) || !Array.isArray(own['connectors'])) return document;
  const connectors = own['connectors'].map((entry: unknown) =>
    isObject(entry) ? withBodyParts(entry) : entry,
  );
  return { ...document, own: { ...own, connectors } };
}

/** One step for each version ever written. */
export const INTENT_MIGRATIONS: readonly DocumentMigration[] = [
  {
    from: 1,
    to: 2,
    name: 'any number of ends on each side, and choices in the place of the cold leg alone',
    up: ({ cold, from, to, ...rest }) => ({
      ...rest,
      version: 2,
      from: [from],
      to: [to],
      ...(typeof cold === 'string' && cold !== '' ? { choices: { cold } } : {}),
    }),
  },
  {
    from: 2,
    to: 3,
    name: 'parts of the bodies of the workshop’s own connectors',
    up: (document) => ({ ...ownWithBodyParts(document), version: 3 }),
  },
  {
    from: 3,
    to: 4,
    name: 'a connector’s body may be asked for; a lead may live outdoors or in a vehicle; its cable may be left open',
    up: (document) => ({ ...document, version: 4 }),
  },
  {
    from: 4,
    to: 5,
    name: 'a length may keep the words it was typed in',
    up: (document) => ({ ...document, version: 5 }),
  },
];

/** Brings an intent of an earlier version up to the one that is written today; anything else is left as it is. */
export const currentIntent = (document: unknown): unknown => migrated(document, INTENT_MIGRATIONS);

/** Reads the shape of an intent; what it names is looked up by `readAsk`. */
export function readIntent(document: unknown): Result<Intent> {
  const opened = openDocument(document, {
    name: 'intent',
    version: INTENT_VERSION,
    missing: 'What the lead is for is missing',
    path: 'intent',
  });
  if (!opened.ok) return opened;
  return readShape(intentSchema, currentIntent(document), 'intent');
}
