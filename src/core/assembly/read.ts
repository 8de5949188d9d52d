import {
  good,
  isObject,
  migrated,
  openDocument,
  readShape,
  type DocumentMigration,
  type Earlier,
  type Problem,
  type Result,
} from '../quantity';
import { withBodyParts } from '../catalogue';
import { assemblySchema, ASSEMBLY_VERSION, type Assembly } from './assembly';
import { dressingKind, type DressingWhat } from './dressings';
import { referenceProblems } from './reference-checks';

/** What is no list, or no object in it, is left as it is: the check names it afterwards. */
const each = (list: unknown, change: (item: Earlier) => Earlier): unknown =>
  Array.isArray(list) ? list.map((item: unknown) => (isObject(item) ? change(item) : item)) : list;
const inConnectors = (document: Earlier, change: (entry: Earlier) => Earlier): Earlier => {
  const { uses } = document;
  return isObject(uses)
    ? { ...document, uses: { ...uses, connectors: each(uses['connectors'], change) } }
    : document;
};

/** What a rating said in words, as numbers: “0.25 W”, “16 V, plus toward the input”, “2 to 20 mA”; the rest stays words. */
function ratingsOf(text: unknown): Earlier {
  if (typeof text !== 'string') return text === undefined ? {} : { rating: text };
  const watts = /([\d.]+) W\b/.exec(text)?.[1];
  const volts = /([\d.]+) V\b/.exec(text)?.[1];
  const between = /([\d.]+) to ([\d.]+) mA\b/.exec(text);
  const amps = /([\d.]+) A\b/.exec(text)?.[1];
  const ratings = {
    ...(watts === undefined ? {} : { watts: Number(watts) }),
    ...(volts === undefined ? {} : { volts: Number(volts) }),
    ...(between ? { milliamps: { from: Number(between[1]), to: Number(between[2]) } } : {}),
    ...(amps === undefined ? {} : { milliamps: { from: 0, to: Number(amps) * 1000 } }),
  };
  const marks = text
    .split(',')
    .map((piece) => piece.trim())
    .filter((piece) => !/^[\d.]+ (W|V|A)$|^[\d.]+ to [\d.]+ mA$|^(dual|linear|logarithmic)$/.test(piece))
    .join(', ');
  return { ...(Object.keys(ratings).length > 0 ? { ratings } : {}), ...(marks === '' ? {} : { marks }) };
}

/** What the one value of a part of before was, by its kind. */
const VALUES: Readonly<Record<string, string>> = {
  resistor: 'ohms',
  capacitor: 'farads',
  diode: 'forwardVolts',
  led: 'forwardVolts',
  potentiometer: 'trackOhms',
  transformer: 'windingOhms',
  battery: 'volts',
  lamp: 'litOhms',
};

function partByKind({ value, rating, leads: _, ...part }: Earlier): Earlier {
  const name = VALUES[String(part['kind'])];
  const taper = part['kind'] === 'potentiometer' && typeof rating === 'string';
  return {
    ...part,
    ...(value === undefined || name === undefined ? {} : { [name]: value }),
    ...ratingsOf(rating),
    ...(taper ? { taper: /log/i.test(rating) ? 'logarithmic' : 'linear' } : {}),
  };
}

const WHAT_NOW: Readonly<Record<string, DressingWhat>> = {
  shrink: 'heat-shrink',
  sleeve: 'expandable-sleeve',
};

function dressingInFull({ kind, on, ...dressing }: Earlier): Earlier {
  const what = WHAT_NOW[String(kind)] ?? (kind as DressingWhat);
  const usual = dressingKind(what);
  return {
    ...dressing,
    what,
    over: on,
    ...(usual ? { goesOn: usual.goesOn, closed: usual.closed } : {}),
  };
}

/** One step for each version ever written. */
/** A capacitor as it is since: before, its mark said it, and its second leg lay toward the input. */
function plusAsField(part: Earlier): Earlier {
  if (part['kind'] !== 'capacitor' || part['marks'] !== 'plus toward the input') return part;
  const { marks: _, ...rest } = part;
  return { ...rest, plus: 'b' };
}

export const ASSEMBLY_MIGRATIONS: readonly DocumentMigration[] = [
  {
    from: 1,
    to: 2,
    name: 'layouts by format in the place of roles for a balanced and an unbalanced signal',
    up: (document) => ({
      ...inConnectors(document, ({ roles: _, ...entry }) => entry),
      version: 2,
    }),
  },
  {
    from: 2,
    to: 3,
    name: 'parts by kind with ratings as numbers, dressings in full, body parts of connectors',
    up: (document) => ({
      ...inConnectors(document, withBodyParts),
      version: 3,
      bodies: each(document['bodies'], (body) => ({ ...body, parts: each(body['parts'], partByKind) })),
      dressings: each(document['dressings'], dressingInFull),
    }),
  },
  {
    from: 3,
    to: 4,
    name: 'how a connector grips, what its body is for, and whether its ground mates first may be said',
    up: (document) => ({ ...document, version: 4 }),
  },
  {
    from: 4,
    to: 5,
    name: 'which leg of a capacitor is its plus is a field of it',
    up: (document) => ({
      ...document,
      version: 5,
      bodies: each(document['bodies'], (body) => ({ ...body, parts: each(body['parts'], plusAsField) })),
    }),
  },
  {
    from: 5,
    to: 6,
    name: 'the room inside a connector’s shell, and the hole that it is screwed into, may be said',
    up: (document) => ({ ...document, version: 6 }),
  },
  {
    from: 6,
    to: 7,
    name: 'a length may keep the words it was typed in',
    up: (document) => ({ ...document, version: 7 }),
  },
  {
    from: 7,
    to: 8,
    name: 'an end may be as it came, from a donor lead',
    up: (document) => ({ ...document, version: 8 }),
  },
];

/** Brings a stored document up to the version that is written today, without checking it. */
export const currentAssembly = (document: unknown): unknown => migrated(document, ASSEMBLY_MIGRATIONS);

/**
 * Reads a stored or foreign document: newer versions are refused, older ones migrated, then shape and references are
 * checked, the whole of it before anything reads it.
 */
export function readAssembly(document: unknown): Result<Assembly> {
  const opened = openDocument(document, {
    name: 'assembly',
    version: ASSEMBLY_VERSION,
    missing: 'This is not an assembly',
  });
  if (!opened.ok) return opened;
  const read = readShape(assemblySchema, currentAssembly(document));
  if (!read.ok) return read;
  const problems: readonly Problem[] = referenceProblems(read.value);
  return problems.length === 0 ? good(read.value) : { ok: false, problems };
}
