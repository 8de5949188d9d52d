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

/** The way through an order of elimination from some rows to some unknowns. */
export function routeOf(plan: Plan, size: number, { rows, unknowns }: Path): Route {
  const { starts, diagonals, columns } = plan;
  const isReached = new Uint8Array(size);
  for (const row of rows) isReached[plan.stepOfRow[row] as number] = 1;
  const reached: number[] = [];
  const from: number[] = [0];
  const places: number[] = [];
  for (let i = 0; i < size; i++) {
    const before = places.length;
    for (let p = starts[i] as number; p < (diagonals[i] as number); p++)
      if (isReached[columns[p] as number]) places.push(p);
    if (!isReached[i] && places.length === before) continue;
    isReached[i] = 1;
    reached.push(i);
    from.push(places.length);
  }
  const isWanted = new Uint8Array(size);
  for (const unknown of unknowns) isWanted[plan.stepOfColumn[unknown] as number] = 1;
  const closure: number[] = [];
  for (let i = 0; i < size; i++) {
    if (!isWanted[i]) continue;
    closure.push(i);
    for (let p = (diagonals[i] as number) + 1; p < (starts[i + 1] as number); p++)
      isWanted[columns[p] as number] = 1;
  }
  return {
    plan,
    reached: Int32Array.from(reached),
    starts: Int32Array.from(from),
    places: Int32Array.from(places),
    closure: Int32Array.from(closure),
  };
}
