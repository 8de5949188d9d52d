import { dequal } from 'dequal';
import { readAssembly, type Assembly } from '../assembly';
import { isTail, portById, PORTS, type ConnectorEntry } from '../catalogue';
import { currentLead, derive, LEAD_VERSION, readLead, type Lead } from '../lead';
import { bad, isObject, type Problem, type Result } from '../quantity';
import { readUnits, type UnitFile } from './unit-file';
import { amongOf, currentIntent, type Intent, type IntentEnd } from '../wiring';

/** The version of job files written today: a job is its name, its leads, each with its own version, and the units of them. */
export const JOB_VERSION = 3;

/** A whole job as it leaves Antler. */
export interface JobFile {
  readonly antler: 'job';
  readonly version: typeof JOB_VERSION;
  readonly name: string;
  readonly note: string;
  readonly leads: readonly Lead[];
  readonly units: readonly UnitFile[];
}

/** A job with its leads and their units, as a file. */
export const jobFile = (
  name: string,
  note: string,
  leads: readonly Lead[],
  units: readonly UnitFile[] = [],
): JobFile => ({
  antler: 'job',
  version: JOB_VERSION,
  name,
  note,
  leads,
  units,
});

/** Something that a file names and this catalogue does not have, and what could stand in for it. */
export interface Unknown {
  readonly kind: 'port' | 'family' | 'cable';
  readonly id: string;
  /** Where the file names it. */
  readonly path: string;
  readonly instead: readonly { readonly id: string; readonly name: string }[];
}

/** Which id stands for which, by `kind:id`. */
export type Mapping = Readonly<Record<string, string>>;

/** A lead out of a file, ready to be taken in. */
export interface Incoming {
  readonly lead: Lead;
  /** Whether the file's own wiring is what this Antler would derive. */
  readonly same: boolean;
}

export type Import =
  | { readonly ok: true; readonly leads: readonly Incoming[]; readonly units: readonly UnitFile[] }
  | { readonly ok: false; readonly problems: readonly Problem[]; readonly unknown: readonly Unknown[] };

const refused = (problems: readonly Problem[], unknown: readonly Unknown[] = []): Import => ({
  ok: false,
  problems,
  unknown,
});
const one = (code: string, says: string, path = ''): Import => refused([{ code, says, path }]);

/** The newest version that is read of a kind of file. */
const newest = (antler: 'lead' | 'job'): number => (antler === 'lead' ? LEAD_VERSION : JOB_VERSION);

/**
 * Reads a lead or job file from outside. All of it is good or none of it is taken: a file that is damaged, or newer than
 * this Antler, is refused with the reason; ids that the catalogue does not have are listed with what could stand for
 * them, and read again with a mapping. The wiring is the file's own; only where a mapping changed the intent is it
 * derived anew.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     takeIn(document).leads.map(({ same }) => same); // → [true]
 *     takeIn({ ...document, version: 99 }).problems[0].code; // → 'file.newer'
 */
export function takeIn(document: unknown, mapping: Mapping = {}): Import {
  if (!isObject(document))
    return one('file.not-antler', 'This is not an Antler file: a JSON object is expected.');
  const { antler, version, leads } = document;
  if (antler !== 'lead' && antler !== 'job')
    return one(
      'file.not-antler',
      'This is not an Antler file: it does not say whether it is a lead or a job.',
      'antler',
    );
  if (typeof version !== 'number')
    return one('file.version', 'This file does not say which version it is: it is damaged.', 'version');
  if (version > newest(antler))
    return one(
      'file.newer',
      `This file was written by a newer Antler (version ${version}); this one reads up to ${newest(antler)}.`,
      'version',
    );
  if (antler === 'job' && !Array.isArray(leads))
    return one('file.leads', 'This job has no list of leads: the file is damaged.', 'leads');
  const all = antler === 'lead' ? [document] : (leads as unknown[]);
  const read = all.map((each, n) => readOne(each, antler === 'lead' ? '' : `leads[${n}].`, mapping));
  const problems = read.flatMap((each) => ('problems' in each ? each.problems : []));
  const unknown = read
    .flatMap((each) => ('unknown' in each ? each.unknown : []))
    .filter(
      (each, n, list) => list.findIndex((other) => other.kind === each.kind && other.id === each.id) === n,
    );
  if (problems.length > 0 || unknown.length > 0) return refused(problems, unknown);
  // Before version 3 a job left its units where they were.
  const units = readUnits(
    antler === 'job' && Array.isArray(document['units']) ? document['units'] : [],
    all.length,
  );
  if (!units.ok) return refused(units.problems);
  return { ok: true, leads: read.flatMap((each) => ('lead' in each ? [each] : [])), units: units.value };
}

type ReadOne =
  | Incoming
  | { readonly problems: readonly Problem[] }
  | { readonly problems: readonly Problem[]; readonly unknown: readonly Unknown[] };

function readOne(document: unknown, prefix: string, mapping: Mapping): ReadOne {
  const at = (problems: readonly Problem[]): ReadOne => ({
    problems: problems.map((each) => ({ ...each, path: `${prefix}${each.path}` })),
  });
  if (!isObject(document))
    return at([{ code: 'file.lead', says: 'This is no lead: the file is damaged.', path: '' }]);
  const before = currentIntent(document['intent']);
  const intent = mapped(before, mapping);
  const read = readLead({ ...document, ...(intent === undefined ? {} : { intent }) });
  if (!read.ok) return at(read.problems);
  const lead = read.value;
  if (!lead.intent) return { lead, same: true };
  const unknown = unknownIn(lead.intent, prefix);
  if (unknown.length > 0) return { problems: [], unknown };
  const derived = derive(lead.intent, lead.edits, lead.name);
  if (!dequal(before, intent))
    return derived.ok ? { lead: derived.value, same: false } : at(derived.problems);
  return { lead, same: derived.ok && dequal(lead.assembly, derived.value.assembly) };
}

/** The intent with ids replaced by what the mapping says stands for them. */
function mapped(intent: unknown, mapping: Mapping): unknown {
  if (!isObject(intent) || Object.keys(mapping).length === 0) return intent;
  const swap = (kind: Unknown['kind'], id: unknown): unknown =>
    typeof id === 'string' ? (mapping[`${kind}:${id}`] ?? id) : id;
  const end = (each: unknown): unknown => {
    if (!isObject(each)) return each;
    const family = swap('family', each['family']);
    const port = swap('port', each['port']);
    // Another connector has another order: what was chosen or typed for the old one says nothing of it.
    const { layout: _, pinout: __, gender: ___, ...rest } = each;
    return family === each['family'] ? { ...each, port } : { ...rest, family, port };
  };
  const ends = (side: unknown): unknown => (Array.isArray(side) ? side.map(end) : side);
  return {
    ...intent,
    from: ends(intent['from']),
    to: ends(intent['to']),
    ...(intent['cable'] === undefined ? {} : { cable: swap('cable', intent['cable']) }),
  };
}

/** What an intent names that neither the catalogue nor the file itself has. */
function unknownIn(intent: Intent, prefix: string): readonly Unknown[] {
  const { connectors, cables } = amongOf(intent.own);
  const families = (entries: readonly ConnectorEntry[]) =>
    [...new Map(entries.map((entry) => [entry.family, entry.familyName ?? entry.family]))].map(
      ([id, name]) => ({
        id,
        name,
      }),
    );
  const ends = (side: 'from' | 'to') =>
    intent[side].flatMap((end: IntentEnd, n): Unknown[] => [
      ...(portById(end.port)
        ? []
        : [
            {
              kind: 'port' as const,
              id: end.port,
              path: `${prefix}intent.${side}[${n}].port`,
              instead: PORTS.map((port) => ({ id: port.id, name: port.name })),
            },
          ]),
      ...(isTail(end.family) || connectors.some((entry) => entry.family === end.family)
        ? []
        : [
            {
              kind: 'family' as const,
              id: end.family,
              path: `${prefix}intent.${side}[${n}].family`,
              instead: families(connectors),
            },
          ]),
    ]);
  return [
    ...ends('from'),
    ...ends('to'),
    ...(intent.cable === undefined || cables.some((entry) => entry.id === intent.cable)
      ? []
      : [
          {
            kind: 'cable' as const,
            id: intent.cable,
            path: `${prefix}intent.cable`,
            instead: cables.map((cable) => ({ id: cable.id, name: cable.name })),
          },
        ]),
  ];
}

/** The assembly of a lead file, or of a bare assembly document, checked. */
export function assemblyIn(document: unknown): Result<Assembly> {
  if (!isObject(document)) return bad('file.not-antler', 'A lead file or an assembly is expected.', '');
  if (document['antler'] !== 'lead') return readAssembly(document);
  const { version } = document;
  if (typeof version === 'number' && version > LEAD_VERSION)
    return bad('file.newer', 'This file was written by a newer Antler.', 'version');
  const whole = currentLead(document);
  const read = readAssembly(isObject(whole) ? whole['assembly'] : undefined);
  return read.ok
    ? read
    : { ok: false, problems: read.problems.map((each) => ({ ...each, path: `assembly.${each.path}` })) };
}
