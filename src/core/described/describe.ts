import { netlist, spanLengths } from '../assembly';
import { isDirected, usualGender } from '../catalogue';
import { derive, sayEdit, type Edit, type Lead } from '../lead';
import { resistances } from '../model';
import { bad, formatResistance, good, type Result } from '../quantity';
import { offers, type Intent } from '../wiring';
import { candidates, STRANDS, type Candidate } from './candidates';
import { compared, type Nets } from './compare';
import { changesTo } from './reach';
import type { Held, HeldReading } from './types';

/** What a lead in the hand is, or what it is most like. */
export interface Described {
  /** The recipe by which such a lead is made. */
  readonly recipe: { readonly id: string; readonly name: string };
  /** Others by which the same contacts meet: what it is used for no meter says. None where it is only the nearest. */
  readonly also: readonly { readonly id: string; readonly name: string }[];
  readonly intent: Intent;
  /** Which end in the hand each end of the intent is, in its order. */
  readonly ends: readonly string[];
  /** What is otherwise in the hand, or cannot be told, a sentence each; nothing where it is that lead. */
  readonly differs: readonly string[];
  /** Changes by hand that make that lead the one in the hand, and each in words; none where it is that lead, or no few make it so. */
  readonly edits: readonly Edit[];
  readonly changes: readonly string[];
}

/** Which contacts meet in a lead, its ends called as they are in the hand. */
function netsOf({ assembly }: Lead, { ends }: Candidate): Nets {
  const called = new Map(ends.map(({ id }, n) => [String.fromCharCode(65 + n), id]));
  return netlist(assembly).nets.map(({ contacts }) =>
    contacts.map((contact) => {
      const dot = contact.indexOf('.');
      return `${called.get(contact.slice(0, dot)) ?? contact.slice(0, dot)}${contact.slice(dot)}`;
    }),
  );
}

/** How far what a meter reads may be from what is in a lead: its own error and that of parts, as a share and Ω (common practice). */
const ALIKE = { share: 0.15, ohms: 2 } as const;

/** A contact in the hand as that lead calls it. */
function calledThere({ ends }: Candidate, contact: string): string {
  const n = ends.findIndex(({ id }) => contact.startsWith(`${id}.`));
  return `${String.fromCharCode(65 + n)}${contact.slice(contact.indexOf('.'))}`;
}

/** What was read between contacts and is otherwise in a lead, in words. */
function readOtherwise(
  { assembly }: Lead,
  candidate: Candidate,
  readings: readonly HeldReading[],
): readonly string[] {
  if (readings.length === 0) return [];
  const between = resistances(assembly, { lengths: spanLengths(assembly) });
  return readings.flatMap(({ contacts: [one, other], ohms }) => {
    const there = between(calledThere(candidate, one), calledThere(candidate, other));
    const isAlike = Math.abs(there - ohms) <= ALIKE.share * Math.max(there, ohms) + ALIKE.ohms;
    if (Number.isFinite(there) && isAlike) return [];
    return [
      `${one} to ${other} reads ${formatResistance(ohms)}, and in that lead ${Number.isFinite(there) ? formatResistance(there) : 'nothing'}.`,
    ];
  });
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

type Ways = readonly (readonly [intent: Intent, rank: number])[];

/** The ways of wiring an intent that a builder may have taken; how far each is from the plain one. Of each candidate they are worked out once. */
function eachWays(): (candidate: Candidate) => Ways {
  const known = new Map<Candidate, Ways>();
  const worked = ({ intent }: Candidate): Ways => {
    const offered = offers(intent);
    return (offered.ok ? offered.value : []).flatMap(({ recipe, is, refusal }) =>
      is === 'wrong' && !refusal?.anyway
        ? []
        : [[{ ...intent, wiring: recipe, ...(refusal ? { anyway: [refusal.id] } : {}) }, RANK[is]] as const],
    );
  };
  return (candidate) => {
    const found = known.get(candidate) ?? worked(candidate);
    known.set(candidate, found);
    return found;
  };
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
  readonly recipe: Lead['because']['recipe'];
  readonly rank: number;
  readonly weight: number;
  readonly differs: readonly string[];
}
/** A lead as it goes on from: without its cable, and with the changes by hand that make it the one in the hand. */
interface GoneOn extends Pick<Described, 'intent' | 'edits' | 'changes'> {
  readonly found: Found;
}

/** What a lead that was found goes on as. Which cable is in it no meter says, nor which of several strands is which. */
function goneOnFrom(found: Found, held: Held): GoneOn {
  const { cable: _, choices, ...rest } = found.candidate.intent;
  const intent: Intent = choices === undefined || choices === STRANDS ? rest : { ...rest, choices };
  if (found.weight === 0) return { found, intent, edits: [], changes: [] };
  const plain = derive(intent);
  const wanted = held.nets.map((net) => net.map((contact) => calledThere(found.candidate, contact)));
  const edits = plain.ok ? (changesTo(plain.value.assembly, wanted) ?? []) : [];
  const changed = derive(intent, edits);
  // Where what is read across two contacts is otherwise still, it is not the one in the hand: a bad joint is no core that is cut back.
  if (!changed.ok || readOtherwise(changed.value, found.candidate, held.readings).length > 0)
    return { found, intent, edits: [], changes: [] };
  return { found, intent, edits, changes: edits.map((edit) => sayEdit(edit, changed.value.assembly)) };
}

/** The right way of wiring something, and just what is in the hand. */
const isIt = ({ weight, rank }: Found): boolean => weight === 0 && rank === 0;

/** So often another recipe is tried: what stands at its ends changes how it is wired. */
const TRIES = 3;

/** The other recipes whose right way of wiring joins just these contacts. */
function alike(
  every: readonly Candidate[],
  found: string,
  ways: (candidate: Candidate) => Ways,
  tried: (candidate: Candidate, rank: number) => readonly Found[],
): Described['also'] {
  const times = new Map<string, number>([[found, TRIES]]);
  const also = new Map<string, Described['also'][number]>();
  for (const candidate of every)
    for (const [intent, rank] of turned(candidate) === 0 ? ways(candidate) : []) {
      const id = intent.wiring ?? '';
      const before = times.get(id) ?? 0;
      if (rank !== 0 || before >= TRIES) continue;
      times.set(id, before + 1);
      const recipe = tried({ ...candidate, intent }, 0).find(isIt)?.recipe;
      if (!recipe) continue;
      times.set(id, TRIES);
      also.set(recipe.id, { id: recipe.id, name: recipe.name });
    }
  return [...also.values()];
}

/** What a rarer way of wiring counts against it where nothing is just what is in the hand: cores are crossed more often than that. */
const RARER = 0.15;

/** So many of the nearest are tried with every answer about screen and shell. */
const NEAREST = 12;

/**
 * What a lead in the hand is: the recipe that joins just these contacts, the right ways of wiring before those that are only
 * possible; or the one that differs least, and in what.
 *
 * Errors: `described.nothing` where no contacts meet, `described.unknown` where no lead that is tried has such ends.
 */
export function describe(held: Held): Result<Described> {
  if (held.nets.length === 0 && held.readings.length === 0)
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
    const read = readOtherwise(lead.value, candidate, held.readings);
    // What was measured across tells of parts; else a beep says nothing of them.
    const isUntold = hasParts && held.readings.length === 0;
    return [
      {
        candidate,
        recipe: lead.value.because.recipe,
        rank,
        weight: weight + read.length + (isUntold ? WITH_PARTS : 0),
        differs: [...differs, ...read, ...(isUntold ? [PARTS_UNTOLD] : [])],
      },
    ];
  };
  const nearest = (found: readonly Found[]): readonly Found[] =>
    [...found].sort((a, b) =>
      a.weight === 0 || b.weight === 0
        ? a.weight - b.weight || a.rank - b.rank
        : a.weight + RARER * a.rank - (b.weight + RARER * b.rank),
    );
  const every = candidates(held);
  const ways = eachWays();
  const all: Found[] = [];
  /** Of what is just what is in the hand the rank: what is no likelier is not looked at. */
  let least = Infinity;
  for (const candidate of every) {
    const against = turned(candidate);
    for (const [intent, rank] of against < least ? ways(candidate) : []) {
      if (rank + against >= least) continue;
      const found = tried({ ...candidate, intent }, rank + against);
      all.push(...found);
      for (const { weight, rank: own } of found) if (weight === 0) least = Math.min(least, own);
    }
    // The right way of wiring what is commonest on such ends: nothing is nearer.
    if (least <= 0) break;
  }
  const plain = nearest(all);
  const close =
    plain[0]?.weight === 0
      ? plain.slice(0, 1)
      : nearest(
          plain
            .slice(0, NEAREST)
            .flatMap(({ candidate, rank }) =>
              answered(candidate.intent).flatMap(([intent, more]) =>
                tried({ ...candidate, intent }, rank + more),
              ),
            ),
        );
  const best = close[0] && goneOnFrom(close[0], held);
  const recipe = best?.found.recipe;
  if (!best || !recipe)
    return bad(
      'described.unknown',
      'No lead that is tried has such ends: two ends, one and several alike, or a kind with a name of its own. Say it in the sentence instead.',
      'ends',
    );
  return good({
    recipe: { id: recipe.id, name: recipe.name },
    also: best.found.weight === 0 ? alike(every, recipe.id, ways, tried) : [],
    intent: best.intent,
    ends: best.found.candidate.ends.map(({ id }) => id),
    differs: best.found.differs,
    edits: best.edits,
    changes: best.changes,
  });
}
