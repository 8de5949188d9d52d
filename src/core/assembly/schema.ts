import { array, boolean, number, object, string, ValidationError, type ObjectSchema } from 'yup';
import { cableSchema, COLOUR_CODES, connectorSchema, memberId } from '../catalogue';
import { bad, good, type Problem, type Result } from '../quantity';
import { referenceProblems } from './references';
import { ASSEMBLY_VERSION, PART_KINDS, type Assembly } from './types';

const id = string()
  .required()
  .max(40)
  .matches(/^[A-Za-z0-9][A-Za-z0-9_-]*$/, 'may hold letters, digits, - and _ only');
const name = string().required().max(120);
const terminal = string()
  .required()
  .max(120)
  .matches(/^[^.@\s]+\.[^@\s]+(?:@[^.@\s]+)?$/, 'is not a terminal: write A.2, box.case, R1.a or W1.white@a');
const terminals = array(terminal).min(2).required();
export const becauseSchema = object({
  says: string().required().max(400),
  school: string(),
  source: string(),
}).noUnknown();

const joint = object({
  id,
  terminals,
  how: string().oneOf(['cup', 'tab', 'lug', 'pad', 'air', 'link', 'screw', 'crimp', 'continues']).required(),
  sleeve: string(),
  because: becauseSchema.default(undefined).optional(),
}).noUnknown();

const end = object({
  id,
  connector: string(),
  loose: array(
    object({
      id: memberId,
      name,
      legMm: number().positive(),
      colour: string().oneOf(COLOUR_CODES),
      sleeve: string(),
    }).noUnknown(),
  ).optional(),
  mount: string().oneOf(['cable', 'panel']).required(),
  madeOn: string().oneOf(['bench', 'site']).required(),
})
  .noUnknown()
  .test(
    'one',
    'must be either a connector or loose contacts',
    (value) => Boolean(value.connector) !== Boolean(value.loose),
  );

const part = object({
  id,
  kind: string()
    .oneOf([...PART_KINDS])
    .required(),
  leads: array(memberId).min(2).required(),
  value: number().min(0),
  tolerance: number().min(0).max(1),
  gangs: array(memberId).optional(),
  rating: string(),
  name: string(),
}).noUnknown();

const body = object({
  id,
  kind: string().oneOf(['shell', 'barrel', 'breakout', 'box', 'device', 'tail']).required(),
  name,
  case: boolean(),
  ends: array(end).required(),
  parts: array(part).required(),
  entries: array(
    object({ gland: string().required(), spans: array(id).min(1).required() }).noUnknown(),
  ).required(),
  joints: array(joint).required(),
  existing: array(joint).optional(),
}).noUnknown();

/** The shape of an assembly. What its names refer to is checked by {@link readAssembly}. */
export const assemblySchema = object({
  version: number().oneOf([ASSEMBLY_VERSION]).required(),
  bodies: array(body).min(1).required(),
  spans: array(
    object({
      id,
      cable: string().required(),
      from: id,
      to: id,
      carries: array(memberId).min(1).optional(),
    }).noUnknown(),
  ).required(),
  unjoined: array(
    object({
      at: terminal,
      is: string().oneOf(['cut back', 'insulated', 'spare']).required(),
      because: becauseSchema.required(),
    }).noUnknown(),
  ).required(),
  dressings: array(
    object({
      id,
      kind: string()
        .oneOf(['shrink', 'sleeve', 'boot', 'ring', 'tape', 'arrow', 'braid', 'twist'])
        .required(),
      on: string().required(),
      at: string(),
      says: string().required(),
    }).noUnknown(),
  ).required(),
  lengths: array(
    object({
      from: id,
      to: id,
      datum: string().oneOf(['face', 'tip', 'jacket']).required(),
      mm: number().positive().max(1e6).required(),
    }).noUnknown(),
  ).required(),
  uses: object({ connectors: array(connectorSchema).required(), cables: array(cableSchema).required() })
    .noUnknown()
    .required(),
}).noUnknown() as unknown as ObjectSchema<Assembly>;

/** The problems that a Yup check found, each with the path of its field. */
export function yupProblems(error: unknown, prefix = ''): Problem[] {
  if (!(error instanceof ValidationError)) throw error;
  const inner = error.inner.length > 0 ? error.inner : [error];
  return inner.map((each) => ({
    code: `shape.${each.type ?? 'invalid'}`,
    says: each.message,
    path: [prefix, each.path].filter(Boolean).join('.'),
  }));
}

type Document = Record<string, unknown>;

/** Version 1 named a connector's roles for a balanced and an unbalanced signal; version 2 has layouts by format. */
function withoutRoles(document: Document): Document {
  const uses = document['uses'] as { connectors?: unknown } | undefined;
  if (!Array.isArray(uses?.connectors)) return { ...document, version: 2 };
  const connectors = uses.connectors.map((entry: unknown) => {
    if (typeof entry !== 'object' || entry === null) return entry;
    const { roles: _, ...rest } = entry as Document;
    return rest;
  });
  return { ...document, version: 2, uses: { ...uses, connectors } };
}

/** One step for each version ever written: `MIGRATIONS[n]` takes a document of version n to n + 1. */
const MIGRATIONS: Readonly<Record<number, (document: Document) => Document>> = { 1: withoutRoles };

/** Brings a stored document up to the version that is written today, without checking it. */
export function currentAssembly(document: unknown): unknown {
  let current = document as Document;
  for (let step = MIGRATIONS[Number(current['version'])]; step; step = MIGRATIONS[Number(current['version'])])
    current = step(current);
  return current;
}

/** Reads a stored or foreign document: newer versions are refused, older ones migrated, then shape and references are checked. */
export function readAssembly(document: unknown): Result<Assembly> {
  if (typeof document !== 'object' || document === null || Array.isArray(document))
    return bad('assembly.not-an-object', 'This is not an assembly: a JSON object is expected.');
  const { version } = document as Document;
  if (typeof version === 'number' && version > ASSEMBLY_VERSION)
    return bad(
      'assembly.newer',
      `This was written by a newer Antler (version ${version}); this one reads up to ${ASSEMBLY_VERSION}.`,
      'version',
    );
  try {
    const assembly = assemblySchema.validateSync(currentAssembly(document), {
      strict: true,
      abortEarly: false,
    });
    const problems = referenceProblems(assembly);
    return problems.length === 0 ? good(assembly) : { ok: false, problems };
  } catch (error) {
    return { ok: false, problems: yupProblems(error) };
  }
}
