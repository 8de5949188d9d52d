import { netlist, spanLengths, type Assembly } from '../assembly';
import type { Intent, Situation } from '../wiring';
import { RULES } from './rules';
import type { Change, Finding, Severity, Subject } from './types';

export type { Change, Finding, Remedy, Rule, Severity, Subject } from './types';
export { RULES };
export { P48, shortedLegMilliamps } from './rules/phantom-harm';

const ORDER: readonly Severity[] = ['stop', 'caution', 'note'];

export const subjectOf = (assembly: Assembly, situation: Situation): Subject => ({
  assembly,
  situation,
  netlist: netlist(assembly),
  lengths: spanLengths(assembly),
});

/** Everything there is to say against a lead in its situation, worst first. */
export function findings(assembly: Assembly, situation: Situation): readonly Finding[] {
  const subject = subjectOf(assembly, situation);
  return RULES.flatMap((rule) => rule.find(subject).map((finding) => ({ rule: rule.id, ...finding }))).sort(
    (a, b) => ORDER.indexOf(a.severity) - ORDER.indexOf(b.severity),
  );
}

/** The intent with a remedy's change made to it; the same intent where the change is not one of the intent. */
export function changeIntent(intent: Intent, change: Change): Intent {
  if (change.kind === 'unjoined') return intent;
  const [slot = '', field] = change.path.split('.');
  const top = intent as unknown as Record<string, unknown>;
  const put = (into: Record<string, unknown>, key: string): Record<string, unknown> => {
    const { [key]: _, ...rest } = into;
    return change.kind === 'set' ? { ...rest, [key]: change.value } : rest;
  };
  const changed =
    field === undefined
      ? put(top, slot)
      : { ...top, [slot]: put(top[slot] as Record<string, unknown>, field) };
  return changed as unknown as Intent;
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
