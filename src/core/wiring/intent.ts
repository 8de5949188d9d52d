import { number, object, string, type ObjectSchema } from 'yup';
import { yupProblems } from '../assembly';
import {
  cableById,
  CONNECTORS,
  familiesFor,
  familyName,
  portById,
  roleContacts,
  usualGender,
  type CableEntry,
  type ConnectorEntry,
  type PortKind,
  type RoleMap,
} from '../catalogue';
import { good, type Problem, type Result } from '../quantity';
import { resolveSchools, type Schools } from './schools';

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

/** What to do with the cold leg of a balanced output at an unbalanced input, where the builder overrules the output's kind. */
export const COLD_TREATMENTS = {
  open: 'cold left open',
  far: 'cold joined to the return at the far end',
  source: 'cold joined to ground at the source',
} as const;
export type ColdTreatment = keyof typeof COLD_TREATMENTS;

/** One side of what a lead is for: what is there, on which connector; and a plug or socket against custom where asked. */
export interface IntentEnd {
  readonly port: string;
  readonly family: string;
  readonly gender?: 'plug' | 'socket';
}

/** What a lead is for. Same intent and schools, same assembly, same ids. */
export interface Intent {
  readonly version: 1;
  readonly from: IntentEnd;
  readonly to: IntentEnd;
  readonly length: { readonly mm: number; readonly datum: keyof typeof DATUMS };
  readonly surroundings: Surroundings;
  readonly cable: string;
  readonly cold?: ColdTreatment;
  readonly schools: Schools;
}

const end = (direction: string): ObjectSchema<IntentEnd> =>
  object({
    port: string().required(`Say what is at the ${direction} end.`),
    family: string().required(`Say which connector it has at the ${direction} end.`),
    gender: string().oneOf(['plug', 'socket'], 'Choose plug or socket.'),
  }).noUnknown() as unknown as ObjectSchema<IntentEnd>;

const schema = object({
  version: number().oneOf([1], 'This intent was written by another version of Antler.').required(),
  from: end('source').required(),
  to: end('receiving').required(),
  length: object({
    mm: number()
      .typeError('A length is needed: write it like 6 m or 20 ft.')
      .required('A length is needed: write it like 6 m or 20 ft.')
      .min(100, 'A lead shorter than 100 mm has no cable left between its connectors: ask for more.')
      .max(300_000, 'Longer than 300 m is not a lead: check the unit.'),
    datum: string()
      .oneOf(Object.keys(DATUMS), 'Measure face to face, tip to tip or jacket to jacket.')
      .required(),
  })
    .noUnknown()
    .required(),
  surroundings: string().oneOf(Object.keys(SURROUNDINGS), 'Say where the lead will live.').required(),
  cable: string().required('Choose a cable.'),
  cold: string().oneOf(Object.keys(COLD_TREATMENTS), 'Choose what is done with the cold leg.'),
  schools: object().required(),
}).noUnknown() as unknown as ObjectSchema<Intent>;

/** One end of the job with everything the catalogue knows of it. */
export interface AskEnd {
  readonly port: PortKind;
  readonly connector: ConnectorEntry;
  readonly roles: RoleMap;
}

/** An intent with its catalogue entries and schools looked up: what recipes work from. */
export interface Ask {
  readonly intent: Intent;
  readonly from: AskEnd;
  readonly to: AskEnd;
  readonly cable: CableEntry;
  readonly schools: Schools;
}

function askEnd(side: 'from' | 'to', wanted: IntentEnd, problems: Problem[]): AskEnd | undefined {
  const direction = side === 'from' ? 'out' : 'in';
  const port = portById(wanted.port);
  const report = (field: string, code: string, says: string): undefined =>
    void problems.push({ code, says, path: `intent.${side}.${field}` });
  if (!port)
    return report(
      'port',
      'intent.port',
      `“${wanted.port}” is not a kind of port that Antler knows: choose one from the list.`,
    );
  if (port.direction !== direction)
    return report(
      'port',
      'intent.direction',
      `${port.name} is an ${port.direction}put: the ${side === 'from' ? 'first end must be an output' : 'second end must be an input'}.`,
    );
  if (!familiesFor(port).includes(wanted.family))
    return report(
      'family',
      'intent.family',
      `${port.name} does not come on ${familyName(wanted.family)}: choose ${familiesFor(port).map(familyName).join(' or ')}.`,
    );
  const gender = wanted.gender ?? usualGender(wanted.family, direction);
  const connector = CONNECTORS.find((entry) => entry.family === wanted.family && entry.gender === gender);
  const roles = roleContacts(wanted.family, port.balanced);
  if (!connector || !roles)
    return report(
      'gender',
      'intent.gender',
      `There is no ${familyName(wanted.family)} cable ${gender} in the catalogue: choose the other.`,
    );
  return { port, connector, roles };
}

/** Reads an intent: its shape, and that everything it names is in the catalogue and goes together. */
export function readIntent(document: unknown): Result<Ask> {
  let intent: Intent;
  try {
    intent = schema.validateSync(document, { strict: true, abortEarly: false });
  } catch (error) {
    return { ok: false, problems: yupProblems(error, 'intent') };
  }
  const problems: Problem[] = [];
  const from = askEnd('from', intent.from, problems);
  const to = askEnd('to', intent.to, problems);
  const cable = cableById(intent.cable);
  if (!cable)
    problems.push({
      code: 'intent.cable',
      says: `“${intent.cable}” is not a cable that Antler knows: choose one from the list.`,
      path: 'intent.cable',
    });
  if (from && to) {
    const reach =
      from.connector.reachMm && to.connector.reachMm && intent.length.datum !== 'jacket'
        ? from.connector.reachMm[intent.length.datum] + to.connector.reachMm[intent.length.datum]
        : 0;
    if (intent.length.mm <= reach + 30)
      problems.push({
        code: 'intent.length',
        says: `The two connectors take up ${reach} mm of that by themselves: ask for more than ${reach + 30} mm.`,
        path: 'intent.length.mm',
      });
  }
  if (problems.length > 0 || !from || !to || !cable) return { ok: false, problems };
  return good({ intent, from, to, cable, schools: resolveSchools(intent.schools) });
}
