import { spanLengths } from '../../assembly';
import type { CableEntry } from '../../catalogue';
import { good, type Problem, type Result } from '../../quantity';
import { askOf } from '../ask';
import { amongOf } from '../ask-end';
import { draft } from '../draft';
import type { Intent } from '../intent';
import { choose, type Considered } from '../offers';
import { CRITERIA } from './criteria';
import type { Preference } from './preference';
import { GRADES, type Grade, type Reason } from './reason';
import type { Candidate } from './types';

/** A cable in its place among those that a lead could be made in. */
export interface CableChoice {
  readonly cable: CableEntry;
  /** Whether a lead can be made in it at all. */
  readonly can: boolean;
  /** What there is to say for and against it, weightiest first. */
  readonly reasons: readonly Reason[];
  /** Why it stands where it stands: what is for the first, and for each other what puts it behind the one before it. */
  readonly because: string;
}

interface Judged {
  readonly cable: CableEntry;
  readonly problem?: Problem;
  readonly candidate?: Candidate;
  readonly considered?: Considered;
}

/** The lead in this cable, wired as it would be; or what keeps it from being made. */
function tried(intent: Intent, cable: CableEntry): Judged {
  const cannot = (problems: readonly Problem[]): Judged => ({
    cable,
    ...(problems[0] ? { problem: problems[0] } : {}),
  });
  const ask = askOf({ ...intent, cable: cable.id });
  if (!ask.ok) return cannot(ask.problems);
  const considered = choose(ask.value);
  if (!considered.ok) return cannot(considered.problems);
  const d = draft(ask.value);
  const made = considered.value.recipe.wire(ask.value, d);
  if (!made.ok) return cannot(made.problems);
  const assembly = d.finish();
  const metres = new Map([...spanLengths(assembly)].map(([id, mm]) => [id, mm / 1000]));
  return {
    cable,
    considered: considered.value,
    candidate: { ask: ask.value, cable, offer: considered.value.offer, assembly, metres },
  };
}

const SUITS = { right: 2, possible: 1, wrong: 0 } as const;
/** How well the wiring that a cable leads to suits: another kind of wiring than the best is a reason against it. */
const suits = ({ considered }: Judged): number =>
  considered ? SUITS[considered.offer.is] * 100 + considered.rank : -1;

function reasonsOf(
  { candidate, considered, ...judged }: Judged,
  best: number,
  { prefers }: Preference,
): readonly Reason[] {
  if (!candidate || !considered) return [];
  const lesser =
    suits({ ...judged, considered }) < best
      ? [
          {
            id: 'wiring',
            grade: 'poor' as const,
            says: `In it the wiring would be “${considered.offer.name}”, which is not the first choice here.`,
            source: considered.recipe.source,
          },
        ]
      : [];
  const liked = prefers?.includes(candidate.cable.id)
    ? [
        {
          id: 'house',
          grade: 'good' as const,
          says: 'The workshop has it and likes it.',
          source: 'the workshop’s own',
        },
      ]
    : [];
  return [
    ...lesser,
    ...CRITERIA.flatMap(({ id, source, judge }) => {
      const said = judge(candidate);
      return said ? [{ id, source, ...said }] : [];
    }),
    ...liked,
  ];
}

interface Ranked {
  readonly judged: Judged;
  readonly reasons: readonly Reason[];
  /** What it is ranked by, each the lower the better; and what each is called where it decides. */
  readonly keys: readonly (readonly [key: number, decides: string])[];
}

const count = (reasons: readonly Reason[], grade: Grade): number =>
  reasons.filter((reason) => reason.grade === grade).length;

function keysOf(
  judged: Judged,
  reasons: readonly Reason[],
  { prefers = [], prices = {} }: Preference,
): Ranked['keys'] {
  const { id, jacketMm } = judged.cable;
  const place = prefers.indexOf(id);
  return [
    [judged.candidate ? 0 : 1, 'cannot'],
    [count(reasons, 'wrong'), 'wrong'],
    [count(reasons, 'poor'), 'poor'],
    [place < 0 ? prefers.length : place, 'house'],
    [count(reasons, 'fair'), 'fair'],
    [prices[id] ?? Infinity, 'price'],
    [jacketMm ?? Infinity, 'thickness'],
  ];
}

/** Which of what two are ranked by decides between them. */
const decided = (a: Ranked, b: Ranked): string | undefined =>
  a.keys.find(([key], n) => key !== b.keys[n]?.[0])?.[1];

/** Why one stands behind the one before it: the weightiest of what is said against it alone. */
function behind(before: Ranked, { judged, reasons, keys }: Ranked, { prices = {} }: Preference): string {
  const by = decided(before, { judged, reasons, keys });
  const other = before.judged.cable;
  if (by === 'cannot') return judged.problem?.says ?? '';
  if (by === 'house') return `The workshop would rather have ${other.name.toLowerCase()}.`;
  if (by === 'price')
    return prices[judged.cable.id] === undefined
      ? 'Its price is not known.'
      : `It costs more than ${other.name.toLowerCase()}.`;
  const worst = [...GRADES].reverse().find((grade) => grade !== 'good' && count(reasons, grade) > 0);
  // Why not this one is told even where the one before it is as bad.
  if ((by === 'thickness' || by === undefined) && worst)
    return reasons.find(({ grade }) => grade === worst)?.says ?? '';
  if (by === 'thickness')
    return `It does as well as ${other.name.toLowerCase()}, and is thicker and heavier.`;
  const against = reasons.find(
    (reason) => reason.grade === by && before.reasons.find(({ id }) => id === reason.id)?.grade !== by,
  );
  return (
    (against ?? reasons.find(({ grade }) => grade === by))?.says ?? 'It does as well as the one before it.'
  );
}

/** What is for the first, and what there is against it all the same. */
function forIt(reasons: readonly Reason[]): string {
  const of = (is: (grade: Grade) => boolean): string =>
    reasons
      .filter(({ grade }) => is(grade))
      .map(({ says }) => says)
      .join(' ');
  const [praise, less] = [of((grade) => grade === 'good'), of((grade) => grade !== 'good')];
  return (
    [praise, less === '' ? '' : `Less good, and still the best here: ${less}`].filter(Boolean).join(' ') ||
    'Nothing else can be used.'
  );
}

/**
 * Every cable that an intent may be made in, best first, each with what there is to say for and against it and why it stands
 * where it stands. Cables in which the lead cannot be made come last, each with what keeps it. The cable that the intent
 * names plays no part.
 */
export function rankCables(intent: Intent, preference: Preference = {}): readonly CableChoice[] {
  const all = amongOf(intent.own).cables.map((cable) => tried(intent, cable));
  const best = Math.max(...all.map(suits));
  const ranked = all
    .map((judged): Ranked => {
      const reasons = reasonsOf(judged, best, preference);
      return { judged, reasons, keys: keysOf(judged, reasons, preference) };
    })
    .sort((a, b) => {
      const n = a.keys.findIndex(([key], at) => key !== b.keys[at]?.[0]);
      return n < 0 ? 0 : (a.keys[n]?.[0] ?? 0) < (b.keys[n]?.[0] ?? 0) ? -1 : 1;
    });
  return ranked.map((each, n): CableChoice => {
    const before = ranked[n - 1];
    const { judged, reasons } = each;
    const can = judged.candidate !== undefined;
    return {
      cable: judged.cable,
      can,
      reasons,
      because: !can
        ? (judged.problem?.says ?? '')
        : before
          ? behind(before, each, preference)
          : forIt(reasons),
    };
  });
}

/** An intent whose cable was left open, with the one that was chosen for it. */
export interface WithCable {
  readonly intent: Intent;
  /** Why it was chosen; nothing where the intent names its cable, or needs none. */
  readonly chosen?: CableChoice;
}

/**
 * Puts a cable into an intent that leaves it open. Errors: what keeps every cable from being used; where that is the cable
 * in each, what keeps the likeliest.
 */
export function withCable(intent: Intent, preference: Preference = {}): Result<WithCable> {
  if ((intent.form ?? 'lead') !== 'lead' || intent.cable !== undefined) return good({ intent });
  // What is wrong whatever the cable is told as it is.
  const [first] = amongOf(intent.own).cables;
  const ask = askOf({ ...intent, cable: first?.id ?? '' });
  const others = ask.ok ? [] : ask.problems.filter(({ path }) => path !== 'intent.cable');
  if (others.length > 0) return { ok: false, problems: others };
  const ranked = rankCables(intent, preference);
  const [chosen] = ranked;
  if (chosen?.can) return good({ intent: { ...intent, cable: chosen.cable.id }, chosen });
  return { ok: false, problems: [nearest(intent)] };
}

/** What stands against the cable that is most like what is needed, where none can be used. */
function nearest(intent: Intent): Problem {
  const problems = amongOf(intent.own).cables.flatMap((cable) => tried(intent, cable).problem ?? []);
  const elsewhere = problems.find(({ path }) => path !== 'intent.cable');
  return (
    elsewhere ?? {
      code: 'intent.cable',
      says: 'No cable of the catalogue carries this: make it of several leads, or add a cable of the workshop’s own.',
      path: 'intent.cable',
    }
  );
}
