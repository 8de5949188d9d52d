import { netlist } from '../assembly';
import { isDirected, usualGender } from '../catalogue';
import { derive, type Lead } from '../lead';
import { bad, good, sayList, type Result } from '../quantity';
import { offers, type Intent } from '../wiring';
import { candidates, type Candidate } from './candidates';
import type { Held } from './types';

/** What a lead in the hand is, or what it is most like. */
export interface Described {
  /** The recipe by which such a lead is made. */
  readonly recipe: { readonly id: string; readonly name: string };
  readonly intent: Intent;
  /** Which end in the hand each end of the intent is, in its order. */
  readonly ends: readonly string[];
  /** What is otherwise in the hand, or cannot be told, a sentence each; nothing where it is that lead. */
  readonly differs: readonly string[];
}

type Pairs = ReadonlyMap<string, readonly [string, string]>;

const pairsOf = (nets: readonly (readonly string[])[]): Pairs =>
  new Map(
    nets.flatMap((net) =>
      net.flatMap((one, n) =>
        net.slice(n + 1).map((other) => {
          const pair = [one, other].sort() as [string, string];
          return [pair.join(' '), pair] as const;
        }),
      ),
    ),
  );

/** Which contacts meet in a lead, its ends called as they are in the hand. */
function netsOf({ assembly }: Lead, { ends }: Candidate): readonly (readonly string[])[] {
  const called = new Map(ends.map(({ id }, n) => [String.fromCharCode(65 + n), id]));
  return netlist(assembly).nets.map(({ contacts }) =>
    contacts.map((contact) => {
      const dot = contact.indexOf('.');
      return `${called.get(contact.slice(0, dot)) ?? contact.slice(0, dot)}${contact.slice(dot)}`;
    }),
  );
}

const isShell = (contact: string): boolean => contact.endsWith('.shell');

/** The groups of the one that the other parts, each as what it is parted into. */
const parted = (
  nets: readonly (readonly string[])[],
  other: readonly (readonly string[])[],
): readonly (readonly string[])[] =>
  nets.flatMap((net) => {
    const pieces = new Map<string, string[]>();
    for (const contact of net) {
      const in_ = other.find((each) => each.includes(contact))?.join(' ') ?? contact;
      pieces.set(in_, [...(pieces.get(in_) ?? []), contact]);
    }
    return pieces.size > 1 ? [[...pieces.values()].map((piece) => piece.sort().join(' – ')).sort()] : [];
  });

/** What is otherwise, in words; and how much of it there is: what only a shell does weighs little. */
function compared(
  held: readonly (readonly string[])[],
  made: readonly (readonly string[])[],
): { readonly weight: number; readonly differs: readonly string[] } {
  // A shell that no probe was held to is not known to meet nothing.
  const probed = new Set(held.flat().filter(isShell));
  const known = made.map((net) => net.filter((contact) => !isShell(contact) || probed.has(contact)));
  const [ours, theirs] = [pairsOf(held), pairsOf(known)];
  const weigh = (pairs: Pairs, other: Pairs): number =>
    [...pairs].reduce((sum, [key, pair]) => sum + (other.has(key) ? 0 : pair.some(isShell) ? 0.01 : 1), 0);
  return {
    weight: weigh(ours, theirs) + weigh(theirs, ours),
    differs: [
      ...parted(held, known).map((pieces) => `${sayList(pieces)} meet, and in that lead they do not.`),
      ...parted(known, held).map((pieces) => `${sayList(pieces)} do not meet, and in that lead they do.`),
    ],
  };
}

const RANK = { right: 0, possible: 10, wrong: 20 } as const;

/** How many of its plugs and sockets say that the signal goes the other way. */
function turned({ intent: { from }, ends }: Candidate): number {
  const against = ends.filter(
    ({ family, gender }, n) =>
      gender !== undefined &&
      isDirected(family) &&
      gender !== usualGender(family, n < from.length ? 'out' : 'in'),
  );
  return against.length * 5;
}

/** The ways of wiring an intent that a builder may have taken; how far each is from the plain one. */
function ways(intent: Intent): readonly (readonly [intent: Intent, rank: number])[] {
  const offered = offers(intent);
  return (offered.ok ? offered.value : []).flatMap(({ recipe, is, refusal }) =>
    is === 'wrong' && !refusal?.anyway
      ? []
      : [[{ ...intent, wiring: recipe, ...(refusal ? { anyway: [refusal.id] } : {}) }, RANK[is]] as const],
  );
}

/** The answers about screen and shell: they change which contacts meet, and nothing else. */
const answered = (intent: Intent): readonly (readonly [intent: Intent, rank: number])[] =>
  (['both', 'source', 'destination'] as const).flatMap((screen, s) =>
    (['open', 'both'] as const).map(
      (shell, h) => [{ ...intent, schools: { ...intent.schools, screen, shell } }, s * 2 + h] as const,
    ),
  );

/** What a lead with parts inside weighs more: a beep says nothing of them, so that one without is likelier. */
const WITH_PARTS = 2;
const PARTS_UNTOLD =
  'In that lead are parts, of which a beep says nothing: look inside, or measure across them.';

interface Found {
  readonly candidate: Candidate;
  readonly lead: Lead;
  readonly rank: number;
  readonly weight: number;
  readonly differs: readonly string[];
}
/** So many of the nearest are tried with every answer about screen and shell. */
const NEAREST = 12;

/**
 * What a lead in the hand is: the recipe that joins just these contacts, the right ways of wiring before those that are only
 * possible; or the one that differs least, and in what.
 *
 * Errors: `described.nothing` where no contacts meet, `described.unknown` where no lead that is tried has such ends.
 */
export function describe(held: Held): Result<Described> {
  if (held.nets.length === 0)
    return bad(
      'described.nothing',
      'No contacts are said to meet: add a line for each group that beeps to each other. Where none do, every core is off.',
      'contacts',
    );
  const tried = (candidate: Candidate, rank: number): readonly Found[] => {
    const lead = derive(candidate.intent);
    if (!lead.ok) return [];
    const hasParts = lead.value.assembly.bodies.some(({ parts }) => parts.length > 0);
    const { weight, differs } = compared(held.nets, netsOf(lead.value, candidate));
    return [
      {
        candidate,
        lead: lead.value,
        rank,
        weight: weight + (hasParts ? WITH_PARTS : 0),
        differs: hasParts ? [...differs, PARTS_UNTOLD] : differs,
      },
    ];
  };
  const nearest = (found: readonly Found[]): readonly Found[] =>
    [...found].sort((a, b) => a.weight - b.weight || a.rank - b.rank);
  const all: Found[] = [];
  for (const candidate of candidates(held)) {
    for (const [intent, rank] of ways(candidate.intent))
      all.push(...tried({ ...candidate, intent }, rank + turned(candidate)));
    // The right way of wiring what is commonest on such ends: nothing is nearer.
    if (all.some(({ weight, rank }) => weight === 0 && rank === 0)) break;
  }
  const plain = nearest(all);
  const [best] =
    plain[0]?.weight === 0
      ? plain
      : nearest(
          plain
            .slice(0, NEAREST)
            .flatMap(({ candidate, rank }) =>
              answered(candidate.intent).flatMap(([intent, more]) =>
                tried({ ...candidate, intent }, rank + more),
              ),
            ),
        );
  const recipe = best?.lead.because.recipe;
  if (!best || !recipe)
    return bad(
      'described.unknown',
      'No lead that is tried has such ends: two ends, one and several alike, or a kind with a name of its own. Say it in the sentence instead.',
      'ends',
    );
  // Which cable is in it no meter says.
  const { cable: _, ...intent } = best.candidate.intent;
  return good({
    recipe: { id: recipe.id, name: recipe.name },
    intent,
    ends: best.candidate.ends.map(({ id }) => id),
    differs: best.differs,
  });
}
