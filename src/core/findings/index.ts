import { netlist, spanLengths, type Assembly } from '../assembly';
import { leadSignal } from '../signal';
import type { Intent, Situation } from '../wiring';
import { direct } from './direct';
import { RULES } from './rules';
import type { Change, Finding, Severity, Subject } from './types';

export type { Change, Finding, Remedy, Rule, Severity, Subject } from './types';
export { RULES };
export { shortedLegMilliamps } from './rules/phantom-harm';

const ORDER: readonly Severity[] = ['stop', 'caution', 'note'];

export function subjectOf(assembly: Assembly, situation: Situation): Subject {
  const list = netlist(assembly);
  let solved: ReturnType<typeof leadSignal> | undefined;
  return {
    assembly,
    situation,
    netlist: list,
    direct: direct(list),
    lengths: spanLengths(assembly),
    signal() {
      solved ??= leadSignal(assembly, situation, { ranges: false, grid: 'coarse' });
      return solved.ok ? solved.value : undefined;
    },
  };
}

/** What was found before, by the very documents: a page asks for it in several places at once. */
const known = new WeakMap<Assembly, WeakMap<Situation, readonly Finding[]>>();

/** Everything there is to say against a lead in its situation, worst first. */
export function findings(assembly: Assembly, situation: Situation): readonly Finding[] {
  const before = known.get(assembly)?.get(situation);
  if (before) return before;
  const found = findIn(assembly, situation);
  known.set(
    assembly,
    (known.get(assembly) ?? new WeakMap<Situation, readonly Finding[]>()).set(situation, found),
  );
  return found;
}

function findIn(assembly: Assembly, situation: Situation): readonly Finding[] {
  const subject = subjectOf(assembly, situation);
  return RULES.flatMap((rule) => rule.find(subject).map((finding) => ({ rule: rule.id, ...finding }))).sort(
    (a, b) => ORDER.indexOf(a.severity) - ORDER.indexOf(b.severity),
  );
}

/** The intent with a remedy's change made to it; the same intent where the change is not one of the intent. */
export function changeIntent(intent: Intent, change: Change): Intent {
  if (change.kind === 'unjoined') return intent;
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

/** The assembly with a remedy's change made to it; the same assembly where the change is one of the intent. */
export const changeAssembly = (assembly: Assembly, change: Change): Assembly =>
  change.kind === 'unjoined'
    ? {
        ...assembly,
        unjoined: [
          ...assembly.unjoined,
          { at: change.at, is: change.is, because: { says: 'Dealt with by hand.' } },
        ],
      }
    : assembly;
