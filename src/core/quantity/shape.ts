import {
  lazy,
  object,
  string,
  ValidationError,
  type AnyObject,
  type InferType,
  type ISchema,
  type ObjectSchema,
  type Schema,
} from 'yup';
import { bad, good, type Problem, type Result } from './problem';
import { sayShape } from './shape-says';

/** What was read, to look at and not to write on, all the way down. */
export type DeepReadonly<T> = T extends readonly (infer Item)[]
  ? readonly DeepReadonly<Item>[]
  : T extends object
    ? { readonly [Key in keyof T]: DeepReadonly<T[Key]> }
    : T;

/** The type of what a validator lets through: a shape is written once, as a validator, and this is its type. */
export type Shape<Of extends ISchema<unknown>> = DeepReadonly<InferType<Of>>;

/** What a validator is behind its name, for whoever reads it otherwise than by checking: JSON Schema. */
type Behind =
  | {
      readonly is: 'record';
      readonly of: ISchema<unknown>;
      readonly most: number;
      readonly required: boolean;
    }
  | {
      readonly is: 'union';
      readonly tag: string;
      readonly variants: Readonly<Record<string, ISchema<unknown>>>;
    };
const BEHIND = new WeakMap<object, Behind>();
/** What stands behind a {@link record} or a {@link union}; nothing for any other validator. */
export const behind = (schema: object): Behind | undefined => BEHIND.get(schema);

/** Whether a value is a JSON object: neither a list nor nothing. */
export const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A list of names and values whose names are open; no more than `most` of them. */
export function record<Of extends Schema>(of: Of, { what = 'This', most = 200 } = {}) {
  const schema = lazy((value: unknown) => {
    const names = isObject(value) ? Object.keys(value) : [];
    const shape: Record<string, Of> = Object.fromEntries(names.map((name) => [name, of]));
    return object(shape)
      .noUnknown()
      .required(`${what} is missing: give {} where there is none.`)
      .typeError(`${what} must be a list of names and values.`)
      .test('most', `${what} has more than ${most} names.`, () => names.length <= most);
  });
  BEHIND.set(schema, { is: 'record', of, most, required: true });
  return schema;
}

/** The same, that may be left out. */
export function optionalRecord<Of extends Schema>(of: Of, { what = 'This', most = 200 } = {}) {
  const schema = lazy((value: unknown) => {
    const names = isObject(value) ? Object.keys(value) : [];
    const shape: Record<string, Of> = Object.fromEntries(names.map((name) => [name, of]));
    return object(shape)
      .noUnknown()
      .default(undefined)
      .optional()
      .typeError(`${what} must be a list of names and values.`)
      .test('most', `${what} has more than ${most} names.`, () => names.length <= most);
  });
  BEHIND.set(schema, { is: 'record', of, most, required: false });
  return schema;
}

/**
 * One of several shapes, told apart by the value of one field, which each of them has fixed. A value whose tag is none
 * of theirs is refused at that field.
 */
export function union<Variants extends Readonly<Record<string, ObjectSchema<AnyObject>>>>(
  tag: string,
  variants: Variants,
) {
  const names = Object.keys(variants);
  const none = object({
    [tag]: string()
      .required()
      .oneOf(names, `“${tag}” has to be one of ${names.join(', ')}.`),
    // One that is left out is none of them either: a shape of an object alone would take it for an empty one.
  }).required();
  const schema = lazy((value: unknown) => {
    const name = isObject(value) ? value[tag] : undefined;
    const found = typeof name === 'string' && Object.hasOwn(variants, name) ? variants[name] : undefined;
    return (found ?? none) as Variants[keyof Variants];
  });
  BEHIND.set(schema, { is: 'union', tag, variants });
  return schema;
}

/** The problems that a check found, each with the path of its field. */
export function shapeProblems(error: unknown, prefix = ''): Problem[] {
  if (!(error instanceof ValidationError)) throw error;
  const inner = error.inner.length > 0 ? error.inner : [error];
  return inner.flatMap((each) =>
    // What nobody knows is refused where it stands, and not at what it stands in.
    (each.type === 'noUnknown' ? String(each.params?.['unknown'] ?? '').split(', ') : ['']).map(
      (unknown) => ({
        code: `shape.${each.type ?? 'invalid'}`,
        says: sayShape(each, unknown),
        path: [prefix, each.path, unknown].filter(Boolean).join('.'),
      }),
    ),
  );
}

/** A validator of Yup's, or what it makes of a value lazily. */
type Checkable = ISchema<unknown> & Pick<Schema, 'validateSync'>;

/** Checks a value against its shape as it stands, nothing converted: the value, or every problem with its path. */
export function readShape<Of extends Checkable>(schema: Of, value: unknown, prefix = ''): Result<Shape<Of>> {
  try {
    schema.validateSync(value, { strict: true, abortEarly: false });
    return { ok: true, value: value as Shape<Of> };
  } catch (error) {
    return { ok: false, problems: shapeProblems(error, prefix) };
  }
}

/** The deepest that a document may be nested: deeper ones are no document of ours, and would be walked for ever. */
export const DEEPEST = 64;

/** The path of the first place that lies deeper than {@link DEEPEST}, or undefined. Walks without recursion. */
export function tooDeep(value: unknown): string | undefined {
  const open: { readonly value: unknown; readonly path: string; readonly depth: number }[] = [
    { value, path: '', depth: 0 },
  ];
  for (let next = open.pop(); next; next = open.pop()) {
    const { value: here, path, depth } = next;
    if (typeof here !== 'object' || here === null) continue;
    if (depth >= DEEPEST) return path.slice(0, 120);
    const of = (name: string): string => (path === '' ? name : `${path}.${name}`);
    if (Array.isArray(here))
      here.forEach((each: unknown, n) => open.push({ value: each, path: `${path}[${n}]`, depth: depth + 1 }));
    else
      for (const [name, each] of Object.entries(here))
        open.push({ value: each, path: of(name).slice(0, 400), depth: depth + 1 });
  }
  return undefined;
}

/** A document of an earlier version, as a plain object. */
export type Earlier = Readonly<Record<string, unknown>>;

/** One named step from a version of a document to the next. */
export interface DocumentMigration {
  readonly from: number;
  readonly to: number;
  readonly name: string;
  readonly up: (document: Earlier) => Earlier;
}

/** Brings a document up step by step, as far as there are steps, without checking it. What is no object is left as it is. */
export function migrated(document: unknown, migrations: readonly DocumentMigration[]): unknown {
  if (!isObject(document)) return document;
  let current: Earlier = document;
  for (;;) {
    const step = migrations.find((each) => each.from === current['version']);
    if (!step) return current;
    current = step.up(current);
  }
}

/** What is read: its name, as in its codes; the newest version; and what is missing where there is none. */
export interface DocumentRead {
  readonly name: string;
  readonly version: number;
  readonly missing: string;
  /** Where it stands in what holds it; nothing where it stands alone. */
  readonly path?: string;
}

/**
 * What comes before everything else when a document is read from outside. Errors, each with its path:
 * `<name>.not-an-object`, `<name>.deep`, and `<name>.newer` for what a later version wrote.
 */
export function openDocument(
  document: unknown,
  { name, version, missing, path = '' }: DocumentRead,
): Result<Earlier> {
  const within = (inner: string): string => [path, inner].filter(Boolean).join('.');
  if (!isObject(document))
    return bad(`${name}.not-an-object`, `${missing}: a JSON object is expected.`, path);
  const deep = tooDeep(document);
  if (deep !== undefined) return bad(`${name}.deep`, `This is nested deeper than any ${name}.`, within(deep));
  const written = document['version'];
  return typeof written === 'number' && written > version
    ? bad(
        `${name}.newer`,
        `This was written by a newer Antler (version ${written}); this one reads up to ${version}.`,
        within('version'),
      )
    : good(document);
}
