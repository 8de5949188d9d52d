import {
  bodyById,
  cableOf,
  conductorsOf,
  spanById,
  spanLengths,
  type Assembly,
  type Span,
} from '../assembly';
import { remadeEnds } from '../cutting';
import { schoolsOf, type Lead } from '../lead';
import { capacitances } from '../model';
import type { BreakReadings, Located } from '../proving';
import { bad, formatLength, good, type Result } from '../quantity';
import { factsWith, type Situation } from '../situation';
import { lengthSystem } from '../wiring';
import { planOf } from './whole-plan';

/** Of one core in one span of a lead: what locating a break needs to know. */
export type CoreFacts = Pick<BreakReadings, 'lengthMm' | 'picofaradsPerMetre' | 'ohmsPerMetre'> & {
  /** The ends that the span runs between, in words. */
  readonly near: string;
  readonly far: string;
};

const endAt = (assembly: Assembly, body: string): string => {
  const found = bodyById(assembly, body);
  const [end] = found?.ends ?? [];
  return end ? `end ${end.id}` : (found?.name ?? body);
};

/** The span of this name; the only one where none is named. */
function spanOf(assembly: Assembly, id: string | undefined): Result<Span> {
  const [only, ...more] = assembly.spans;
  const span = id === undefined ? (more.length === 0 ? only : undefined) : spanById(assembly, id);
  return span
    ? good(span)
    : bad(
        'break.span',
        `Name the cable that it is in: this lead has ${assembly.spans.map((each) => each.id).join(', ') || 'none'}.`,
        'span',
      );
}

/**
 * What is known of a core of a lead: how long its jacket is, the capacitance of the core to all else tied together, pF/m, and the loop of the core and its
 * screen, Ω/m, both by the cable's entry. Errors: `break.span`, `break.core`.
 */
export function coreFacts(
  { assembly }: Pick<Lead, 'assembly'>,
  situation: Situation | undefined,
  {
    span: wanted,
    core: named,
  }: { readonly span?: string | undefined; readonly core?: string | undefined } = {},
): Result<CoreFacts> {
  const span = spanOf(assembly, wanted);
  if (!span.ok) return span;
  const cable = cableOf(assembly, span.value);
  const conductors = conductorsOf(assembly, span.value);
  const cores = conductors.filter(({ is }) => is === 'core');
  const core = named === undefined ? cores[0] : conductors.find(({ id }) => id === named);
  if (!core || !cable)
    return bad('break.core', `That cable has ${conductors.map(({ id }) => id).join(', ')}.`, 'core');
  const farads = capacitances(cable, factsWith(situation?.facts))
    .filter(({ a, b }) => a === core.id || b === core.id)
    .reduce((sum, each) => sum + each.faradsPerMetre, 0);
  const screen = conductors.find(
    ({ is, pair }) => is !== 'core' && (pair === undefined || pair === core.pair),
  );
  const loop = ((core.ohmsPerKm ?? 0) + (screen?.ohmsPerKm ?? core.ohmsPerKm ?? 0)) / 1000;
  return good({
    lengthMm: spanLengths(assembly).get(span.value.id) ?? 0,
    ...(farads > 0 ? { picofaradsPerMetre: farads * 1e12 } : {}),
    ...(loop > 0 ? { ohmsPerMetre: loop } : {}),
    near: endAt(assembly, span.value.from),
    far: endAt(assembly, span.value.to),
  });
}

/** What a repair comes to: which end is made again, how long the lead is then, and the steps. */
export interface Repair {
  readonly end: string;
  readonly newMm: number;
  readonly askedMm: number;
  readonly says: string;
  readonly steps: readonly string[];
}

/**
 * Cutting a lead behind what was found and making that end again (handbook, section 15): the cut, a trim and the strip-back are lost. Errors: `break.span`;
 * `break.end`, where that side ends in no connector that is made at a bench.
 */
export function repairOf(
  lead: Pick<Lead, 'assembly' | 'schools' | 'situations'>,
  { cut }: Located,
  span?: string,
): Result<Repair> {
  const { assembly } = lead;
  const found = spanOf(assembly, span);
  if (!found.ok) return found;
  const lost = cut.keep === 'far' ? cut.atMm : (spanLengths(assembly).get(found.value.id) ?? 0) - cut.atMm;
  const body = bodyById(assembly, cut.keep === 'far' ? found.value.from : found.value.to);
  const [end] = body?.ends ?? [];
  const remade = remadeEnds(assembly, schoolsOf(lead)).find((each) => each.end === end?.id);
  if (!end || !remade)
    return bad(
      'break.end',
      'That side ends in nothing that is made again at the bench: renew the cable.',
      'span',
    );
  const [length] = remade.lengths;
  const asked = length?.mm ?? assembly.lengths[0]?.mm ?? 0;
  const newMm = (length?.leftMm ?? asked - remade.lostMm) - lost;
  const system = lengthSystem(schoolsOf(lead));
  const say = (mm: number): string => formatLength(Math.round(mm), system);
  return good({
    end: end.id,
    newMm,
    askedMm: asked,
    says: `Cut ${say(lost)} off at end ${end.id} and make that end again: ${say(newMm)} is left of ${say(asked)}.${remade.glued ? ' It is glued shut: take a new plug.' : ''}`,
    steps: planOf(lead)
      .operations.filter((op) => op.end === end.id && op.kind !== 'cut')
      .map(({ title }) => title),
  });
}
