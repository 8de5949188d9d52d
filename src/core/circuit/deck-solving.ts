import type { Problem, Result } from '../quantity';
import { sweep, type Sweep } from './alternating';
import { frequenciesOf, type Deck, type Vector } from './deck';
import { allVoltages } from './deck-writing';
import { operatingPoint, type Operating } from './direct';
import { GROUND, primitives } from './elements';
import { islandsOf } from './islands';

/** What a deck's vectors come to. */
export interface DeckSolution {
  /** Commands of the deck that changed nothing here. */
  readonly ignored?: readonly string[];
  readonly op?: Readonly<Record<string, number>>;
  readonly ac?: { readonly frequency: readonly number[] } & Readonly<
    Record<string, readonly number[] | { readonly re: readonly number[]; readonly im: readonly number[] }>
  >;
}

/**
 * Runs what a deck asks for. Errors: those of the solver, `deck.vector` for one that is not in the circuit, and `deck.floating`
 * for a node whose voltage nothing holds: it would be any.
 *
 * Example, of two resistors:
 *
 *     const deck = readDeck('half\nV1 in 0 DC 2\nR1 in out 1k\nR2 out 0 1k\n.op\n.print op v(out)\n.end');
 *     Math.round(solveDeck(deck.value).value.op['v(out)'] * 1e6) / 1e6; // → 1
 */
export function solveDeck(deck: Deck): Result<DeckSolution> {
  const elements = primitives(deck.circuit);
  const all = allVoltages(elements);
  const nodes = new Set([GROUND, ...all.flatMap(({ of }) => ('volts' in of ? of.volts : []))]);
  const branches = new Set(
    elements.flatMap((each) => (['voltage', 'vcvs', 'inductor'].includes(each.kind) ? [each.id] : [])),
  );
  const problems: Problem[] = [...deck.print.op, ...deck.print.ac].flatMap(({ name, of }): Problem[] =>
    ('amps' in of ? branches.has(of.amps) : of.volts.every((node) => nodes.has(node)))
      ? []
      : [{ code: 'deck.vector', says: `${name} is printed, and is not in the circuit.`, path: name }],
  );
  // What floats for direct current alone has no point to be swept from either.
  const loose = islandsOf(elements, !deck.op).filter(({ leaking }) => !leaking);
  for (const { nodes } of loose)
    problems.push({
      code: 'deck.floating',
      says: `The voltage of ${nodes.join(', ')} cannot be told: nothing that conducts joins ${nodes.length === 1 ? 'it' : 'them'} to ground. Put a resistance there.`,
      path: nodes[0] ?? '',
    });
  if (problems.length > 0) return { ok: false, problems };
  const chosen = (list: readonly Vector[]): readonly Vector[] => (list.length > 0 ? list : all);
  const said = deck.ignored ? { ignored: deck.ignored } : {};
  let op: DeckSolution['op'];
  if (deck.op) {
    const steady = operatingPoint(deck.circuit);
    if (!steady.ok) return steady;
    op = Object.fromEntries(
      chosen(deck.print.op).map((each) => [each.name, steadyValue(steady.value, each)]),
    );
  }
  if (!deck.ac) return { ok: true, value: { ...said, ...(op ? { op } : {}) } };
  const swept = sweep(deck.circuit, frequenciesOf(deck.ac));
  if (!swept.ok) return swept;
  const frequency = swept.value.frequencies;
  const traces = Object.fromEntries(
    chosen(deck.print.ac).map((each) => [each.name, sweptValues(swept.value, each)]),
  );
  return { ok: true, value: { ...said, ...(op ? { op } : {}), ac: { ...traces, frequency } } };
}

const steadyValue = (at: Operating, { of, part }: Vector): number => {
  const value = 'amps' in of ? at.current(of.amps) : at.voltage(of.volts[0]) - at.voltage(of.volts[1]);
  return partOf(part, value, 0);
};

function sweptValues(
  at: Sweep,
  { of, part }: Vector,
): { readonly re: readonly number[]; readonly im: readonly number[] } {
  const { re, im } = 'amps' in of ? at.current(of.amps) : at.voltage(of.volts[0], of.volts[1]);
  return part === ''
    ? { re: [...re], im: [...im] }
    : { re: Array.from(re, (real, n) => partOf(part, real, im[n] as number)), im: Array.from(re, () => 0) };
}

function partOf(part: Vector['part'], re: number, im: number): number {
  switch (part) {
    case '':
    case 'r':
      return re;
    case 'i':
      return im;
    case 'm':
      return Math.hypot(re, im);
    case 'p':
      return Math.atan2(im, re);
    case 'db':
      return 20 * Math.log10(Math.hypot(re, im));
  }
}
