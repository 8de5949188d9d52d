/** What is taken for nothing in a sum of products. */
const NOTHING = 1e-9;
/** After so many steps without a better value the first column that may is taken, so that none comes round again (Bland’s rule). */
const PATIENCE = 60;
/** So many steps are taken at the most. */
const MOST_STEPS = 20_000;

/** So many steps between two looks at the clock. */
const STEPS = 32;

export type Ended = 'optimal' | 'infeasible' | 'unbounded' | 'above' | 'stopped';

/** When solving ends before the optimum. */
export interface Until {
  readonly mayGoOn?: () => boolean;
  /** Where the least value is surely above this it is not looked for further. */
  readonly above?: number;
}

/**
 * A linear program: the least of c·x where a·x ≤ b for each row, and no x is below 0. Kept as its simplex tableau of basic
 * rows and nonbasic columns, so that a row can be added and the answer mended from where it was (Dantzig’s simplex, and
 * Lemke’s dual simplex).
 */
export interface Program {
  /** Adds a·x ≤ b, with a coefficient for every unknown. Its number, from 0. */
  readonly add: (a: readonly number[], b: number) => number;
  /** Goes on to the optimum. Before any row is added the start must be feasible one way or the other: costs, or limits, of no minus. */
  readonly solve: (until?: Until) => Ended;
  /** An unknown may not be below this, which is no less than it was before. */
  readonly raise: (unknown: number, least: number) => void;
  /** The least value of c·x. */
  readonly value: () => number;
  /** The unknowns at the optimum. */
  readonly unknowns: () => readonly number[];
  /** By row: how much the least value falls for each unit that its limit is raised. */
  readonly prices: () => readonly number[];
  /**
   * The same program as it stands, to go on with another way; without what costs more than `slack` to bring in, which stays nothing:
   * unknowns, and what is left to the limits of rows in whole numbers. What is left to another limit may be less than one.
   */
  readonly copy: (slack?: number) => Program;
}

interface Tableau {
  readonly unknowns: number;
  /** The tableau: a row of coefficients for each basic variable, and what it is where all others are nothing. */
  readonly rows: Float64Array[];
  readonly limits: number[];
  /** Which variable each row and column is: unknowns first, then each row’s slack. */
  readonly basic: number[];
  readonly nonbasic: number[];
  /** By unknown: the least that it may be; what is said of it elsewhere is what it is above that. */
  readonly floors: number[];
  /** By row: whether its numbers are whole, so that what is left to its limit is whole where the unknowns are. */
  readonly areWhole: boolean[];
  /** What a unit of each nonbasic variable costs more. */
  readonly costs: Float64Array;
  value: number;
}

function pivot(tableau: Tableau, row: number, column: number): void {
  const { rows, limits, basic, nonbasic, costs } = tableau;
  const pivotRow = rows[row] as Float64Array;
  const by = 1 / (pivotRow[column] as number);
  for (let j = 0; j < pivotRow.length; j++) pivotRow[j] = (pivotRow[j] as number) * by;
  pivotRow[column] = by;
  const limit = (limits[row] as number) * by;
  limits[row] = limit;
  for (let i = 0; i < rows.length; i++) {
    if (i === row) continue;
    const other = rows[i] as Float64Array;
    const factor = other[column] as number;
    if (factor === 0) continue;
    for (let j = 0; j < other.length; j++) other[j] = (other[j] as number) - factor * (pivotRow[j] as number);
    other[column] = -factor * by;
    limits[i] = (limits[i] as number) - factor * limit;
  }
  const factor = costs[column] as number;
  if (factor !== 0) {
    for (let j = 0; j < costs.length; j++) costs[j] = (costs[j] as number) - factor * (pivotRow[j] as number);
    costs[column] = -factor * by;
    tableau.value += factor * limit;
  }
  const leaves = basic[row] as number;
  basic[row] = nonbasic[column] as number;
  nonbasic[column] = leaves;
}

/** The most negative of a list, or with `first` the one of the lowest variable; −1 where none is. */
function pick(values: ArrayLike<number>, called: readonly number[], first: boolean): number {
  let at = -1;
  for (let n = 0; n < values.length; n++) {
    const value = values[n] as number;
    if (value >= -NOTHING) continue;
    if (at < 0 || (first ? (called[n] as number) < (called[at] as number) : value < (values[at] as number)))
      at = n;
  }
  return at;
}

/** Which row stands in the way first where a column comes in; −1 where none does. */
function leaving({ rows, limits, basic }: Tableau, column: number): number {
  let at = -1;
  let least = Infinity;
  for (let i = 0; i < rows.length; i++) {
    const rate = rows[i]?.[column] as number;
    if (rate <= NOTHING) continue;
    const ratio = Math.max(0, limits[i] as number) / rate;
    if (
      ratio < least - NOTHING ||
      (ratio <= least + NOTHING && (basic[i] as number) < (basic[at] as number))
    ) {
      at = i;
      least = Math.min(least, ratio);
    }
  }
  return at;
}

/** Which column comes in where a row has to leave; −1 where none can. */
function entering({ rows, costs, nonbasic }: Tableau, row: number): number {
  let at = -1;
  let least = Infinity;
  const coefficients = rows[row] as Float64Array;
  for (let j = 0; j < costs.length; j++) {
    const rate = -(coefficients[j] as number);
    if (rate <= NOTHING) continue;
    const ratio = Math.max(0, costs[j] as number) / rate;
    if (
      ratio < least - NOTHING ||
      (ratio <= least + NOTHING && (nonbasic[j] as number) < (nonbasic[at] as number))
    ) {
      at = j;
      least = Math.min(least, ratio);
    }
  }
  return at;
}

function solved(tableau: Tableau, { mayGoOn = () => true, above = Infinity }: Until): Ended {
  let best = Infinity;
  let idle = 0;
  for (let steps = 0; steps < MOST_STEPS; steps++) {
    if (steps % STEPS === STEPS - 1 && !mayGoOn()) return 'stopped';
    const isFirst = idle > PATIENCE;
    const row = pick(tableau.limits, tableau.basic, isFirst);
    const column = pick(tableau.costs, tableau.nonbasic, isFirst);
    if (row < 0 && column < 0) return 'optimal';
    // Mended row by row, the value only rises.
    if (column < 0 && tableau.value > above) return 'above';
    // What is dual feasible is mended row by row; what is feasible is made cheaper column by column.
    if (row >= 0) {
      const into = entering(tableau, row);
      if (into < 0) return 'infeasible';
      pivot(tableau, row, into);
    } else {
      const out = leaving(tableau, column);
      if (out < 0) return 'unbounded';
      pivot(tableau, out, column);
    }
    const value = row >= 0 ? -tableau.value : tableau.value;
    idle = value < best - NOTHING ? 0 : idle + 1;
    best = Math.min(best, value);
  }
  return 'stopped';
}

const asProgram = (tableau: Tableau): Program => ({
  add(a, b) {
    const { rows, limits, basic, nonbasic, unknowns } = tableau;
    const row = new Float64Array(nonbasic.length);
    for (const [j, variable] of nonbasic.entries()) if (variable < unknowns) row[j] = a[variable] ?? 0;
    let limit = b;
    for (const [n, floor] of tableau.floors.entries()) if (floor > 0) limit -= (a[n] ?? 0) * floor;
    for (const [i, variable] of basic.entries()) {
      const factor = variable < unknowns ? (a[variable] ?? 0) : 0;
      if (factor === 0) continue;
      const of = rows[i] as Float64Array;
      for (let j = 0; j < row.length; j++) row[j] = (row[j] as number) - factor * (of[j] as number);
      limit -= factor * (limits[i] as number);
    }
    basic.push(unknowns + rows.length);
    tableau.areWhole.push(Number.isInteger(b) && a.every(Number.isInteger));
    rows.push(row);
    limits.push(limit);
    return rows.length - 1;
  },
  solve: (until = {}) => solved(tableau, until),
  raise(unknown, least) {
    const { rows, limits, basic, nonbasic, costs, floors } = tableau;
    const by = least - (floors[unknown] as number);
    floors[unknown] = least;
    const row = basic.indexOf(unknown);
    if (row >= 0) {
      limits[row] = (limits[row] as number) - by;
      return;
    }
    const column = nonbasic.indexOf(unknown);
    for (const [i, each] of rows.entries()) limits[i] = (limits[i] as number) - (each[column] as number) * by;
    tableau.value += (costs[column] as number) * by;
  },
  value: () => tableau.value,
  unknowns() {
    const found = [...tableau.floors];
    for (const [i, variable] of tableau.basic.entries())
      if (variable < tableau.unknowns)
        found[variable] = (found[variable] as number) + (tableau.limits[i] as number);
    return found;
  },
  prices() {
    const found = Array.from({ length: tableau.rows.length }, () => 0);
    for (const [j, variable] of tableau.nonbasic.entries())
      if (variable >= tableau.unknowns) found[variable - tableau.unknowns] = tableau.costs[j] as number;
    return found;
  },
  copy(slack = Infinity) {
    const { unknowns, rows, limits, basic, nonbasic, costs, value, areWhole } = tableau;
    const isWhole = (variable: number): boolean =>
      variable < unknowns || areWhole[variable - unknowns] === true;
    const kept = [...costs.keys()].filter(
      (j) => (costs[j] as number) <= slack || !isWhole(nonbasic[j] as number),
    );
    const isAll = kept.length === costs.length;
    const less = (row: Float64Array): Float64Array => {
      if (isAll) return row.slice();
      const short = new Float64Array(kept.length);
      for (let k = 0; k < short.length; k++) short[k] = row[kept[k] as number] as number;
      return short;
    };
    return asProgram({
      unknowns,
      rows: rows.map(less),
      limits: [...limits],
      floors: [...tableau.floors],
      areWhole: [...areWhole],
      basic: [...basic],
      nonbasic: kept.map((j) => nonbasic[j] as number),
      costs: less(costs),
      value,
    });
  },
});

/**
 * A linear program with these costs and no rows yet.
 *
 *     const both = program([1, 1]);
 *     both.add([-2, -1], -4); // 2x + y ≥ 4
 *     both.add([-1, -3], -6); // x + 3y ≥ 6
 *     both.solve(); // 'optimal': both.value() is 2.8
 */
export const program = (costs: readonly number[]): Program =>
  asProgram({
    unknowns: costs.length,
    rows: [],
    limits: [],
    floors: costs.map(() => 0),
    areWhole: [],
    basic: [],
    nonbasic: costs.map((_, n) => n),
    costs: Float64Array.from(costs),
    value: 0,
  });
