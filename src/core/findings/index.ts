import { netlist, spanLengths } from '../assembly';
import { applyEdit, derive, slotOf, type Edit, type Lead } from '../lead';
import { good, type Result } from '../quantity';
import { leadSignal, type LeadSignal } from '../signal';
import { miswired, type Situation } from '../situation';
import type { Intent } from '../wiring';
import { direct } from './direct';
import { RULES } from './rules';
import type { Change, Finding, Severity, LeadInUse } from './types';
import { servingBy, type Serving } from './serving';

export type { Change, Finding, Remedy, Rule, Severity, LeadInUse } from './types';
export { RULES };
export type { Serving } from './serving';
export { shortedLegMilliamps } from './rules/phantom-harm';

const ORDER: readonly Severity[] = ['stop', 'caution', 'note'];

/** Figures that no rule reads, and that take long where channels are many: what a source looks into matters to coils alone. */
const unread = ({ channels }: Situation): readonly string[] => [
  'separation',
  'noise',
  ...(channels.some(({ port }) => port.coil) ? [] : ['input-impedance']),
];

const solved = new WeakMap<Lead, Map<Situation, LeadSignal | undefined>>();

/** What a lead does to its signal in one of its uses, as far as rules read it; nothing where it cannot be solved. */
export function signalOf(lead: Lead, situation: Situation): LeadSignal | undefined {
  const known = solved.get(lead) ?? new Map<Situation, LeadSignal | undefined>();
  solved.set(lead, known);
  if (!known.has(situation)) {
    const made = leadSignal(lead.assembly, situation, {
      ranges: false,
      grid: 'coarse',
      without: unread(situation),
    });
    known.set(situation, made.ok ? made.value : undefined);
  }
  return known.get(situation);
}

/** A lead in one of its uses, as rules look at it. */
export function inUse(lead: Lead, situation: Situation): LeadInUse {
  const { assembly, intent } = lead;
  const list = netlist(assembly);
  return {
    lead,
    assembly,
    situation,
    netlist: list,
    slot: (end) => slotOf(intent, end) ?? '',
    direct: direct(list),
    miswired: miswired(assembly, situation, { leftOut: lead.because.leftOut, uses: lead.situations }),
    lengths: spanLengths(assembly),
    signal: () => signalOf(lead, situation),
  };
}

/** What was found before, by the very document: a page asks for it in several places at once. */
const known = new WeakMap<Lead, readonly Finding[]>();
const proven = new WeakMap<Lead, readonly Finding[]>();

/**
 * Everything there is to say against a lead, in any of its uses, worst first. Each finding has its reason, what you would
 * hear, and what can be done: a change of the intent, where the lead has one, or an edit. A remedy is offered only where it
 * was tried: carried out, the lead derived anew, its finding is gone and nothing as bad has come for it.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     findings(document); // → []
 */
export function findings(lead: Lead): readonly Finding[] {
  const before = proven.get(lead);
  if (before) return before;
  const all = found(lead);
  const tried = new Map<string, boolean>();
  const kept = all.map((finding) => ({
    ...finding,
    remedies: finding.remedies.filter(({ change }) => {
      const key = `${finding.rule} ${finding.about} ${JSON.stringify(change)}`;
      const does = tried.get(key) ?? clears(lead, all, finding, change);
      tried.set(key, does);
      return does;
    }),
  }));
  proven.set(lead, kept);
  return kept;
}

/** Whether a change takes a finding away, and brings nothing that is as bad. */
function clears(lead: Lead, all: readonly Finding[], finding: Finding, change: Change): boolean {
  const made = remedied(lead, change);
  if (!made.ok) return false;
  const after = found(made.value);
  const was = new Set(all.map(({ rule }) => rule));
  return !after.some(
    (each) =>
      (each.rule === finding.rule && each.about === finding.about) ||
      (!was.has(each.rule) && ORDER.indexOf(each.severity) <= ORDER.indexOf(finding.severity)),
  );
}

/** Everything there is to say against a lead, its remedies as its rules have them: not tried. */
export function found(lead: Lead): readonly Finding[] {
  const before = known.get(lead);
  if (before) return before;
  const all = findIn(lead);
  known.set(lead, all);
  return all;
}

/** What there is to say whatever the ends meet is said once. */
const same = (a: Finding, b: Finding): boolean => a.rule === b.rule && a.says === b.says;

function findIn(lead: Lead): readonly Finding[] {
  const all = lead.situations.flatMap((situation) => {
    const used = inUse(lead, situation);
    return RULES.flatMap((rule) => rule.find(used).map((finding) => ({ rule: rule.id, ...finding })));
  });
  return all
    .filter((finding, n) => all.findIndex((other) => same(other, finding)) === n)
    .map((finding) =>
      lead.intent
        ? finding
        : { ...finding, remedies: finding.remedies.filter(({ change }) => change.kind === 'edit') },
    )
    .sort((a, b) => ORDER.indexOf(a.severity) - ORDER.indexOf(b.severity));
}

/** The intent with a remedy's change made to it; the same intent where the change is an edit. */
export function changeIntent(intent: Intent, change: Change): Intent {
  if (change.kind === 'edit') return intent;
  const paths = [change.path, ...(change.kind === 'clear' ? (change.also ?? []) : [])];
  return paths.reduce<unknown>(
    (into, path) => put(into, path.split(/[.[\]]+/).filter(Boolean), change),
    intent,
  ) as Intent;
}

/** A copy of a value with something inside it set or taken out, by the steps that lead there. */
function put(into: unknown, [step, ...rest]: readonly string[], change: Change): unknown {
  if (step === undefined) return change.kind === 'set' ? change.value : undefined;
  if (Array.isArray(into))
    return into.map((each: unknown, n) => (`${n}` === step ? put(each, rest, change) : each));
  const { [step]: inside, ...others } = (into ?? {}) as Readonly<Record<string, unknown>>;
  const value = put(inside, rest, change);
  return value === undefined ? others : { ...others, [step]: value };
}

/** What is said of a lead and can be changed: what it is for, and what was changed by hand. */
export interface Said {
  readonly intent: Intent;
  readonly edits: readonly Edit[];
}

/** Whether a lead still serves its job with so much of it left, mm. */
export const servingOf = (lead: Lead, left: { readonly newMm: number; readonly askedMm: number }): Serving =>
  servingBy(findings, lead, left);

/** What is said of a lead with a remedy carried out: the intent changed, or one edit more. */
export const carryOut = ({ intent, edits }: Said, change: Change): Said =>
  change.kind === 'edit'
    ? { intent, edits: [...edits, change.edit] }
    : { intent: changeIntent(intent, change), edits };

/**
 * The lead with a remedy carried out: derived anew, or, where it has no intent, with the edit made to it as it is. Errors:
 * those of `derive` and of the edit.
 */
export function remedied(lead: Lead, change: Change): Result<Lead> {
  if (lead.intent) {
    const said = carryOut({ intent: lead.intent, edits: lead.edits }, change);
    return derive(said.intent, said.edits, lead.name);
  }
  if (change.kind !== 'edit') return good(lead);
  const made = applyEdit(lead.assembly, change.edit);
  return made.ok ? good({ ...lead, assembly: made.value, edits: [...lead.edits, change.edit] }) : made;
}
