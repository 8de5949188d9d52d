import { boundsOf, FACT_IDS, FACTS, type Facts } from '../circuit';
import { array, lazy, number, object, string, type ObjectSchema } from 'yup';
import { yupProblems } from '../assembly';
import { cableSchema, connectorSchema, type CableEntry, type ConnectorEntry } from '../catalogue';
import { bad, type Problem, type Result } from '../quantity';
import type { Schools } from './schools';

/** Where the lead will live. */
export const SURROUNDINGS = {
  stage: 'on a stage floor',
  studio: 'in a studio',
  rack: 'in a rack',
  wall: 'in a wall or conduit',
} as const;
export type Surroundings = keyof typeof SURROUNDINGS;

/** Where the length is measured from and to. */
export const DATUMS = { face: 'face to face', tip: 'tip to tip', jacket: 'jacket to jacket' } as const;

/** What it is made as. */
export const FORMS = {
  lead: 'a lead',
  barrel: 'a barrel with no cable',
  plug: 'one plug and nothing else',
  box: 'a box',
} as const;
export type Form = keyof typeof FORMS;

/** What the builder knows better of the equipment at hand than the list of ports does. */
export interface PortValues {
  /** Ω. */
  readonly impedance?: number;
  readonly levelDbu?: number;
  readonly phantom?: 'needs' | 'unhurt' | 'harmed' | 'gives';
}

/** One end of what a lead is for: what is there, on which connector, and what of that is otherwise than usual. */
export interface IntentEnd {
  readonly port: string;
  readonly family: string;
  readonly gender?: 'plug' | 'socket';
  readonly angle?: 'straight' | 'right-angle';
  /** Which of the family's layouts, where makers differ. */
  readonly layout?: string;
  /** The equipment's own pin list: role, or channel.role, to contact. */
  readonly pinout?: Readonly<Record<string, string>>;
  /** Which channel is on it where several ends share one kind of port: left, right, 1, 2 … */
  readonly channel?: string;
  readonly values?: PortValues;
}

/** What a lead is for. Same intent and schools, same assembly, same ids. */
export interface Intent {
  readonly version: 2;
  readonly from: readonly IntentEnd[];
  readonly to: readonly IntentEnd[];
  /** A lead, where nothing is said. */
  readonly form?: Form;
  /** The recipe that was chosen; the best that fits where none is. */
  readonly wiring?: string;
  readonly length?: { readonly mm: number; readonly datum: keyof typeof DATUMS };
  /** Length of each leg beyond a break-out, part of the length. */
  readonly legs?: { readonly mm: number };
  readonly surroundings: Surroundings;
  readonly cable?: string;
  /** The narrowest place that the run has to be pulled through, mm across. */
  readonly through?: { readonly mm: number };
  /** Answers to what the recipe asks. */
  readonly choices?: Readonly<Record<string, string>>;
  /** Refusals that the builder overrules, by id. */
  readonly anyway?: readonly string[];
  /** Connectors and cables of the workshop's own that it uses. */
  readonly own?: { readonly connectors?: readonly ConnectorEntry[]; readonly cables?: readonly CableEntry[] };
  /** What is known better of cable and equipment than from memory. */
  readonly facts?: Partial<Facts>;
  readonly schools: Schools;
}

const LENGTH_NEEDED = 'A length is needed: write it like 6 m or 20 ft.';
/** The most ends on one side: a stage box of 24 ways, and twice that. */
export const MOST_ENDS = 48;

/** A list of names and values whose names are open. */
const named = (what: string, required = false) =>
  lazy((value: Record<string, unknown> | undefined) =>
    value === undefined
      ? required
        ? object().required(`${what} are missing: give {} where there are none.`)
        : object().optional().default(undefined)
      : object(
          Object.fromEntries(
            Object.keys(value)
              .slice(0, 200)
              .map((key) => [key, string().required(`Say what ${key} is, or leave it out.`).max(60)]),
          ),
        )
          .noUnknown()
          .typeError(`${what} must be a list of names and values.`),
  );

const end = object({
  port: string().required('Say what is at this end.'),
  family: string().required('Say which connector it has at this end.'),
  gender: string().oneOf(['plug', 'socket'], 'Choose plug or socket.'),
  angle: string().oneOf(['straight', 'right-angle'], 'Choose straight or right-angle.'),
  layout: string().max(60),
  pinout: named('The pin list'),
  channel: string()
    .max(20)
    .matches(/^[a-z0-9-]+$/, 'Name the channel in small letters or digits.'),
  values: object({
    impedance: number().positive('An impedance is more than nothing.').max(1e8),
    levelDbu: number().min(-150).max(100),
    phantom: string().oneOf(['needs', 'unhurt', 'harmed', 'gives']),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
}).noUnknown();

/** The shape of an intent. */
export const intentSchema = object({
  version: number().oneOf([2], 'This intent was written by another version of Antler.').required(),
  from: array(end.required())
    .max(MOST_ENDS, 'At most 48 ends on a side.')
    .required('Say what it comes from: a list of ends.'),
  to: array(end.required())
    .max(MOST_ENDS, 'At most 48 ends on a side.')
    .required('Say what it goes to: a list of ends.'),
  form: string().oneOf(Object.keys(FORMS), 'Say what it is made as.'),
  wiring: string().max(60),
  length: object({
    mm: number()
      .typeError(LENGTH_NEEDED)
      .required(LENGTH_NEEDED)
      .min(100, 'A lead shorter than 100 mm has no cable left between its connectors: ask for more.')
      .max(300_000, 'Longer than 300 m is not a lead: check the unit.'),
    datum: string()
      .oneOf(Object.keys(DATUMS), 'Measure face to face, tip to tip or jacket to jacket.')
      .required(),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  legs: object({
    mm: number().min(60, 'A leg shorter than 60 mm cannot be soldered.').max(20_000).required(LENGTH_NEEDED),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  surroundings: string()
    .oneOf(Object.keys(SURROUNDINGS), 'Say where the lead will live: stage, studio, rack or wall.')
    .required('Say where the lead will live: stage, studio, rack or wall.'),
  cable: string(),
  through: object({ mm: number().min(3, 'Nothing goes through less than 3 mm.').max(500).required() })
    .noUnknown()
    .default(undefined)
    .optional(),
  choices: named('The choices'),
  anyway: array(string().required().max(60)).optional().max(20),
  own: object({
    connectors: array(connectorSchema.required()).optional().max(20),
    cables: array(cableSchema.required()).optional().max(20),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  facts: object(
    Object.fromEntries(
      FACT_IDS.map((id) => {
        const { least, most } = boundsOf(id);
        const says = `${FACTS[id].name}: a number from ${least} to ${most}, in ${FACTS[id].unit || 'parts of the whole'}.`;
        return [id, number().typeError(says).min(least, says).max(most, says)];
      }),
    ),
  )
    .noUnknown(true, 'Nothing is known from memory by the name of ${unknown}: leave it out.')
    .default(undefined)
    .optional(),
  schools: named('The schools', true),
}).noUnknown() as unknown as ObjectSchema<Intent>;

/** An intent of the first version: one end on each side. */
interface First {
  readonly version: 1;
  readonly from: IntentEnd;
  readonly to: IntentEnd;
  readonly cold?: string;
}

/** Brings an intent of an earlier version up to the one that is written today; anything else is left as it is. */
export function currentIntent(document: unknown): unknown {
  if (typeof document !== 'object' || document === null || (document as First).version !== 1) return document;
  const { cold, from, to, ...rest } = document as First;
  return { ...rest, version: 2, from: [from], to: [to], ...(cold ? { choices: { cold } } : {}) };
}

/** Reads the shape of an intent; what it names is looked up by `readAsk`. */
export function readIntent(document: unknown): Result<Intent> {
  if (typeof document !== 'object' || document === null || Array.isArray(document))
    return bad(
      'intent.not-an-object',
      'What the lead is for is missing: a JSON object is expected.',
      'intent',
    );
  const version = (document as { version?: unknown }).version;
  if (typeof version === 'number' && version > 2)
    return bad(
      'intent.newer',
      `This intent is of version ${version}, which a newer Antler wrote: use that one.`,
      'intent.version',
    );
  try {
    return {
      ok: true,
      value: intentSchema.validateSync(currentIntent(document), { strict: true, abortEarly: false }),
    };
  } catch (error) {
    const problems: readonly Problem[] = yupProblems(error, 'intent');
    return { ok: false, problems };
  }
}
