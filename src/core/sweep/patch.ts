import { program, type Program } from '../optimum';
import { costOf, costOn, LEFT, mayStand, weightOf } from './cost';
import { PATCH_VERSION, type Lines, type PatchList } from './document';

/** One thing that may be done: which inputs it settles, which ways it takes, who stands where by it, and what it costs. */
interface Choice {
  readonly settles: readonly number[];
  readonly places: readonly (readonly [input: number, line: number])[];
  readonly cost: number;
}

/** So many programs are solved at the most; the best so far stands then. */
const MOST_PROGRAMS = 3000;
const NOTHING = 1e-6;
/** Its multiples lie evenly between whole numbers. */
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * Everything that can be done with each input or pair. A pair stands on adjacent ways; or apart, half of what that costs with each; or one of them alone, the
 * other left; or neither. Written so, no part of a pair’s cost is hidden in a fraction, and most programs come out whole at once.
 */
function choicesOf({ lines, inputs, costs }: Lines): readonly Choice[] {
  const left = (n: number): number => LEFT * weightOf(inputs[n] as Lines['inputs'][number]);
  const on = inputs.map((input) =>
    lines.flatMap((line, l) =>
      mayStand(input, line) ? [{ l, way: line.way, cost: costOn(input, line, costs) }] : [],
    ),
  );
  const partner = inputs.map(({ pair }, n) =>
    pair === undefined ? -1 : inputs.findIndex((each, m) => m !== n && each.pair === pair),
  );
  return inputs.flatMap((_, a): readonly Choice[] => {
    const b = partner[a] ?? -1;
    const own = on[a] ?? [];
    if (b < 0)
      return [
        ...own.map(({ l, cost }) => ({ settles: [a], places: [[a, l]] as const, cost })),
        { settles: [a], places: [], cost: left(a) },
      ];
    const apart = own.map(({ l, cost }) => ({
      settles: [a],
      places: [[a, l]] as const,
      cost: cost + costs.pairApart / 2,
    }));
    const alone = own.map(({ l, cost }) => ({
      settles: [a, b],
      places: [[a, l]] as const,
      cost: cost + left(b),
    }));
    if (b < a) return [...apart, ...alone];
    const beside = own.flatMap((one) =>
      (on[b] ?? [])
        .filter(({ way }) => Math.abs(way - one.way) === 1)
        .map((other) => ({
          settles: [a, b],
          places: [
            [a, one.l],
            [b, other.l],
          ] as const,
          cost: one.cost + other.cost,
        })),
    );
    return [...apart, ...alone, ...beside, { settles: [a, b], places: [], cost: left(a) + left(b) }];
  });
}

/** Costs are told apart down to this. */
const FINE = 1e-6;
const common = (a: number, b: number): number => (b === 0 ? a : common(b, a % b));

/** What every whole patch costs a multiple of; nothing where the costs are finer than can be told apart. */
function unitOf({ inputs, costs }: Lines): number {
  const all = [
    costs.move,
    costs.pairApart,
    ...inputs.flatMap((input) => [costs.onUnknown * weightOf(input), LEFT * weightOf(input)]),
  ].map((each) => each / FINE);
  if (all.some((each) => Math.abs(each - Math.round(each)) > 1e-3 || each > Number.MAX_SAFE_INTEGER))
    return 0;
  return all.map(Math.round).reduce(common, 0) * FINE;
}

/**
 * The linear program of these choices: every input settled, every way taken once at the most. Many of them cost alike, and a simplex walks about among such: each is made
 * dearer by a little of its own, all together by `spread` at the most.
 */
function programOf({ lines, inputs }: Lines, choices: readonly Choice[], spread: number): Program {
  const each = spread / Math.max(1, inputs.length);
  const made = program(choices.map(({ cost }, n) => cost + each * ((n * GOLDEN) % 1)));
  for (const n of inputs.keys())
    made.add(
      choices.map(({ settles }) => (settles.includes(n) ? -1 : 0)),
      -1,
    );
  for (const l of lines.keys()) {
    const takes = choices.map(({ places }) => (places.some(([, line]) => line === l) ? 1 : 0));
    if (takes.some(Boolean)) made.add(takes, 1);
  }
  return made;
}

/** The ways of a solution that is whole, by input. */
function waysOf(
  { lines, inputs }: Lines,
  choices: readonly Choice[],
  x: readonly number[],
): (number | undefined)[] {
  const ways: (number | undefined)[] = inputs.map(() => undefined);
  const taken = new Set<number>();
  choices.forEach(({ places }, n) => {
    if ((x[n] ?? 0) < 0.5) return;
    for (const [input, line] of places)
      if (ways[input] === undefined && !taken.has(line)) {
        ways[input] = lines[line]?.way;
        taken.add(line);
      }
  });
  return ways;
}

/** Whom nobody misses stands all the same, where that costs nothing: on the printed way first. */
function withThoseLeft(
  given: Lines,
  found: readonly (number | undefined)[],
): readonly (number | undefined)[] {
  const { lines, inputs } = given;
  const ways = [...found];
  inputs.forEach((input, n) => {
    if (ways[n] !== undefined) return;
    const free = lines.filter((line) => mayStand(input, line) && !ways.includes(line.way));
    const cost = costOf(given, ways);
    const costs = (way: number): number => costOf(given, Object.assign([...ways], { [n]: way }));
    ways[n] = free
      .map(({ way }) => way)
      .sort((a, b) => Number(b === input.way) - Number(a === input.way))
      .find((way) => costs(way) <= cost + NOTHING);
  });
  return ways;
}

/**
 * The inputs planned anew onto the lines with the least cost: an assignment with pairs that want adjacent ways, by linear programs over what can be done with each
 * input or pair, and branching on who stands where while a program does not come out whole.
 *
 *     patchOf(lines).cost; // → 2, of the example in docs/formats.md
 */
export function patchOf(given: Lines): PatchList {
  const { inputs } = given;
  const choices = choicesOf(given);
  let best: { readonly ways: (number | undefined)[]; readonly cost: number } = {
    ways: inputs.map(() => undefined),
    cost: costOf(
      given,
      inputs.map(() => undefined),
    ),
  };
  const unit = unitOf(given);
  const spread = unit > 1000 * FINE ? unit / 4 : 0;
  let left = MOST_PROGRAMS;
  let stopped = false;
  const search = (now: Program): void => {
    if (left-- <= 0) {
      stopped = true;
      return;
    }
    const ended = now.solve();
    if (ended === 'stopped') stopped = true;
    // Whatever this leaves costs a multiple of the unit: within less than one of the best nothing is better.
    const least = now.value() - spread;
    if (ended !== 'optimal' || least > best.cost - Math.max(unit - NOTHING, NOTHING)) return;
    const x = now.unknowns();
    // What is rounded may be good already.
    const ways = waysOf(given, choices, x);
    const cost = costOf(given, ways);
    if (cost < best.cost - NOTHING) best = { ways, cost };
    const halves = new Map<string, { sum: number; input: number; line: number }>();
    choices.forEach(({ places }, n) => {
      for (const [input, line] of places) {
        const key = `${input} ${line}`;
        const found = halves.get(key) ?? { sum: 0, input, line };
        found.sum += x[n] ?? 0;
        halves.set(key, found);
      }
    });
    const open = [...halves.values()]
      .filter(({ sum }) => sum > NOTHING && sum < 1 - NOTHING)
      .sort((a, b) => Math.abs(a.sum - 0.5) - Math.abs(b.sum - 0.5))[0];
    const at =
      open &&
      choices.map(({ places }) => (places.some(([i, l]) => i === open.input && l === open.line) ? 1 : 0));
    // Everybody’s place is whole; where how they stand is not, one way of standing is settled.
    const which =
      at ??
      choices.map((_, n) => (n === x.findIndex((each) => each > NOTHING && each < 1 - NOTHING) ? 1 : 0));
    if (!which.some(Boolean)) return;
    const [yes, no] = [now.copy(), now];
    yes.add(
      which.map((each) => -each),
      -1,
    );
    search(yes);
    no.add(which, 0);
    search(no);
  };
  search(programOf(given, choices, spread));
  const ways = withThoseLeft(given, best.ways);
  return {
    version: PATCH_VERSION,
    inputs: inputs.flatMap(({ id, way: printed }, n) => {
      const way = ways[n];
      return way === undefined ? [] : [{ id, way, moved: printed !== undefined && printed !== way }];
    }),
    left: inputs.flatMap(({ id }, n) => (ways[n] === undefined ? [id] : [])),
    cost: Number(best.cost.toFixed(9)),
    optimal: !stopped,
  };
}
