import type { Assembly } from '../assembly';
import { toolOf, type BenchTool, type SetUps } from './tool';
import type { Operation } from './types';

/** Steps that are done one after the other with one tool, through all leads of the batch. */
export interface BatchRun {
  readonly tool: string;
  readonly steps: readonly string[];
}

/** How alike leads are made together. */
export interface Batch {
  readonly count: number;
  readonly runs: readonly BatchRun[];
  /** How often a tool is laid hands on, and how long that takes, s: this way, and one lead after the other. */
  readonly changes: number;
  readonly setUpSeconds: number;
  readonly oneByOne: { readonly changes: number; readonly setUpSeconds: number };
  /** What the batch saves of setting up and waiting, s. */
  readonly savesSeconds: number;
  /** Whether no order has less setting up: all were looked at. */
  readonly optimal: boolean;
}

/** So many are made together at most: more do not lie on one bench (common practice). */
export const MOST_TOGETHER = 24;

/** So many states are looked at before the best so far is taken. */
const MOST_STATES = 20_000;

/** How often the tool changes along a course, and how long that takes, s. Hands are always there. */
function changesOf(tools: readonly BenchTool[]): { readonly changes: number; readonly setUpSeconds: number } {
  let [changes, setUpSeconds, last] = [0, 0, ''];
  for (const { id, setUpSeconds: s } of tools) {
    if (s === 0) continue;
    if (id !== last) {
      changes++;
      setUpSeconds += s;
    }
    last = id;
  }
  return { changes, setUpSeconds };
}

/** A course half done: what is, what it cost, and how it was come to. */
interface State {
  readonly done: ReadonlySet<string>;
  readonly cost: number;
  readonly held: string;
  readonly runs: readonly BatchRun[];
}

/**
 * The order of steps with the least setting up, each run going through all leads before the tool is laid down: alike leads wait for the same things, so the best
 * order of one is the best of all. Looked for over every set of done steps, cheapest first. Steps of the hands alone are done as soon as they can be. A lead’s own
 * order stays what its constraints allow, so that nothing is closed that was not inspected.
 *
 * @param before for each step those that must be done before it
 * @param setUps how long it takes to lay hands on each tool, s
 * @param most so many sets are looked at before the best tool at hand is simply taken
 */
export function batchOf(
  assembly: Assembly,
  operations: readonly Operation[],
  before: ReadonlyMap<string, ReadonlySet<string>>,
  count: number,
  { most = MOST_STATES, setUps = {} }: { readonly most?: number; readonly setUps?: SetUps } = {},
): Batch {
  const tools = new Map(operations.map((op) => [op.id, toolOf(assembly, op, setUps)]));
  const isReady = (id: string, done: ReadonlySet<string>): boolean =>
    [...(before.get(id) ?? [])].every((each) => done.has(each));
  /** All that can be done with these tools from here on, in the natural order. */
  const close = (from: ReadonlySet<string>, held: string): { done: Set<string>; steps: string[] } => {
    const done = new Set(from);
    const steps: string[] = [];
    for (let more = true; more;) {
      more = false;
      for (const { id } of operations) {
        const of = tools.get(id);
        if (done.has(id) || !of || (of.setUpSeconds > 0 && of.id !== held) || !isReady(id, done)) continue;
        done.add(id);
        steps.push(id);
        more = true;
      }
    }
    return { done, steps };
  };
  const named = (held: string, steps: readonly string[]): readonly BatchRun[] =>
    steps.length === 0 ? [] : [{ tool: held === '' ? 'hands' : held, steps }];
  const first = close(new Set(), '');
  let open: State[] = [{ done: first.done, cost: 0, held: '', runs: named('', first.steps) }];
  const known = new Map<string, number>();
  let looked = 0;
  let best: State | undefined;
  while (open.length > 0) {
    let at = 0;
    for (let n = 1; n < open.length; n++) if ((open[n]?.cost ?? 0) < (open[at]?.cost ?? 0)) at = n;
    const [state] = open.splice(at, 1);
    if (!state) break;
    if (state.done.size === operations.length) {
      best = state;
      break;
    }
    // Looked at long enough: from here on only the tool is taken that does most for its setting up.
    const isHasty = ++looked > most;
    const choices = new Map(
      operations.flatMap(({ id }) => {
        const of = tools.get(id);
        return of && !state.done.has(id) && isReady(id, state.done) ? [[of.id, of] as const] : [];
      }),
    );
    const next = [...choices.values()].map((tool) => ({ ...tool, ...close(state.done, tool.id) }));
    const worth = ({ steps, setUpSeconds }: (typeof next)[number]): number => steps.length / setUpSeconds;
    if (isHasty) {
      next.sort((a, b) => worth(b) - worth(a)).splice(1);
      open = [];
    }
    for (const { id, setUpSeconds, done, steps } of next) {
      const cost = state.cost + setUpSeconds;
      const key = operations.map((op) => (done.has(op.id) ? 1 : 0)).join('');
      if (!isHasty && (known.get(key) ?? Infinity) <= cost) continue;
      known.set(key, cost);
      open.push({ done, cost, held: id, runs: [...state.runs, ...named(id, steps)] });
    }
  }
  const runs = best?.runs ?? [];
  const own = changesOf(operations.flatMap(({ id }) => tools.get(id) ?? []));
  const order = runs.flatMap(({ steps }) => steps).flatMap((id) => tools.get(id) ?? []);
  const together = changesOf(order);
  // Made one by one the hand waits out each cooling; together the next lead is worked on meanwhile.
  const waits = operations.reduce((sum, { seconds = 0 }) => sum + seconds, 0);
  return {
    count,
    runs,
    ...together,
    oneByOne: { changes: own.changes * count, setUpSeconds: own.setUpSeconds * count },
    savesSeconds: own.setUpSeconds * count - together.setUpSeconds + waits * (count - 1),
    optimal: looked <= most,
  };
}

/**
 * The runs of a batch as they are gone through with all leads: what the hands alone do between two uses of a tool is a run of its
 * own, so that a tool that is held does all it can on every lead before anything else is taken up.
 */
export function inHands(
  assembly: Assembly,
  operations: readonly Operation[],
  runs: readonly BatchRun[],
): readonly BatchRun[] {
  const isTool = new Map(operations.map((op) => [op.id, toolOf(assembly, op).setUpSeconds > 0]));
  return runs.flatMap(({ tool, steps }) => {
    const split: { tool: string; steps: string[] }[] = [];
    for (const step of steps) {
      const by = isTool.get(step) ? tool : 'hands';
      const last = split.at(-1);
      if (last?.tool === by) last.steps.push(step);
      else split.push({ tool: by, steps: [step] });
    }
    return split;
  });
}
