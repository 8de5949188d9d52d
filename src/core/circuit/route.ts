import type { Plan } from './order';

/** What has to be gone through to tell some unknowns alone from a right side that is nothing but in some rows. */
export interface Route {
  readonly plan: Plan;
  /** Steps of the forward solution that are not nothing, with the places of L that they are made from. */
  readonly reached: Int32Array;
  readonly starts: Int32Array;
  readonly places: Int32Array;
  /** Steps of the backward solution that the unknowns hang on, from the first. */
  readonly closure: Int32Array;
}

/** Right sides that are nothing but in some rows, solved for some unknowns alone. */
export interface Path {
  readonly rows: readonly number[];
  readonly unknowns: readonly number[];
  /** The way through the order of elimination that holds, once it was looked for. */
  route?: Route;
}

/** For each step the later ones whose row of L has a place in its column: one after the other, from where each begins. */
interface Below {
  readonly starts: Int32Array;
  readonly steps: Int32Array;
}

const BELOW = new WeakMap<Plan, Below>();

function belowOf(plan: Plan, size: number): Below {
  const known = BELOW.get(plan);
  if (known) return known;
  const { starts, diagonals, columns } = plan;
  const from = new Int32Array(size + 1);
  const each = (put: (column: number, step: number) => void): void => {
    for (let i = 0; i < size; i++)
      for (let p = starts[i] as number; p < (diagonals[i] as number); p++) put(columns[p] as number, i);
  };
  each((column) => (from[column + 1] = (from[column + 1] as number) + 1));
  for (let i = 0; i < size; i++) from[i + 1] = (from[i + 1] as number) + (from[i] as number);
  const free = from.slice();
  const steps = new Int32Array(from[size] as number);
  each((column, step) => {
    const at = free[column] as number;
    steps[at] = step;
    free[column] = at + 1;
  });
  const below = { starts: from, steps };
  BELOW.set(plan, below);
  return below;
}

/** Every step that some lead to, they themselves among them, in their order. */
function ledTo(
  steps: readonly number[],
  isSeen: Uint8Array,
  next: (step: number, see: (step: number) => void) => void,
): Int32Array {
  const all: number[] = [];
  const see = (step: number): void => {
    if (isSeen[step]) return;
    isSeen[step] = 1;
    all.push(step);
  };
  steps.forEach(see);
  for (let n = 0; n < all.length; n++) next(all[n] as number, see);
  return Int32Array.from(all).sort();
}

/** The way through an order of elimination from some rows to some unknowns. */
export function routeOf(plan: Plan, size: number, { rows, unknowns }: Path): Route {
  const { starts, diagonals, columns } = plan;
  const below = belowOf(plan, size);
  const isReached = new Uint8Array(size);
  const reached = ledTo(
    rows.map((row) => plan.stepOfRow[row] as number),
    isReached,
    (step, see) => {
      for (let p = below.starts[step] as number; p < (below.starts[step + 1] as number); p++)
        see(below.steps[p] as number);
    },
  );
  const from: number[] = [0];
  const places: number[] = [];
  for (const i of reached) {
    for (let p = starts[i] as number; p < (diagonals[i] as number); p++)
      if (isReached[columns[p] as number]) places.push(p);
    from.push(places.length);
  }
  const closure = ledTo(
    unknowns.map((unknown) => plan.stepOfColumn[unknown] as number),
    new Uint8Array(size),
    (step, see) => {
      for (let p = (diagonals[step] as number) + 1; p < (starts[step + 1] as number); p++)
        see(columns[p] as number);
    },
  );
  return { plan, reached, starts: Int32Array.from(from), places: Int32Array.from(places), closure };
}
