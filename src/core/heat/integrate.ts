import { powerAt, BAND, ROOM, ROOM_C, type ThermalNetwork } from './network';

/** The temperatures of every node, °C, at one time, s. */
export interface Moment {
  readonly s: number;
  readonly celsius: readonly number[];
}

/** γ of the two-stage method: with it the second stage damps whatever is stiff (L-stable). */
const GAMMA = 1 - Math.SQRT1_2;
/** A stage is solved again while the heater’s power is off by more than this, W. */
const CLOSE = 1e-9;
const MOST_TURNS = 8;

type Matrix = readonly (readonly number[])[];

/** The inverse of a small matrix, by elimination with pivots. */
function inverseOf(matrix: Matrix): Matrix {
  const n = matrix.length;
  const a = matrix.map((row, i) => [...row, ...row.map((_, j) => (i === j ? 1 : 0))]);
  for (let k = 0; k < n; k++) {
    let pivot = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(a[i]?.[k] ?? 0) > Math.abs(a[pivot]?.[k] ?? 0)) pivot = i;
    const row = a[pivot] ?? [];
    a[pivot] = a[k] ?? [];
    a[k] = row;
    const by = row[k] ?? 1;
    for (let j = k; j < 2 * n; j++) row[j] = (row[j] ?? 0) / by;
    for (let i = 0; i < n; i++) {
      const other = a[i] ?? [];
      const factor = i === k ? 0 : (other[k] ?? 0);
      if (factor !== 0) for (let j = k; j < 2 * n; j++) other[j] = (other[j] ?? 0) - factor * (row[j] ?? 0);
    }
  }
  return a.map((row) => row.slice(n));
}

const times = (matrix: Matrix, by: readonly number[]): number[] =>
  matrix.map((row) => {
    let sum = 0;
    for (let j = 0; j < by.length; j++) sum += (row[j] ?? 0) * (by[j] ?? 0);
    return sum;
  });

/** What flows between the nodes, as a matrix of conductances, W/K, and into them from the room, W. */
function flows({ nodes, links }: ThermalNetwork): {
  readonly conductances: readonly (readonly number[])[];
  readonly fromRoom: readonly number[];
} {
  const index = new Map(nodes.map(({ id }, n) => [id, n]));
  const conductances = nodes.map(() => nodes.map(() => 0));
  const fromRoom = nodes.map(() => 0);
  for (const { from, to, kelvinPerWatt } of links) {
    const g = 1 / kelvinPerWatt;
    const ends = [index.get(from), index.get(to)] as const;
    for (const [one, other, at] of [
      [ends[0], ends[1], to],
      [ends[1], ends[0], from],
    ] as const) {
      if (one === undefined) continue;
      const row = conductances[one];
      if (row) row[one] = (row[one] ?? 0) + g;
      if (other !== undefined && row) row[other] = (row[other] ?? 0) - g;
      if (at === ROOM) fromRoom[one] = (fromRoom[one] ?? 0) + g * ROOM_C;
    }
  }
  return { conductances, fromRoom };
}

/**
 * The temperatures of a network from its start on, one moment every `step` seconds: by a diagonally implicit Runge–Kutta method of two stages, second
 * order, which no time constant of the network makes unstable. Stops early where `until` says so.
 */
export function integrate(
  network: ThermalNetwork,
  {
    seconds,
    step = 0.01,
    until,
  }: { readonly seconds: number; readonly step?: number; readonly until?: (now: Moment) => boolean },
): readonly Moment[] {
  const { nodes, heater } = network;
  const { conductances, fromRoom } = flows(network);
  const heated = nodes.findIndex(({ id }) => id === heater.node);
  const h = step;
  /** dT/dt = (in − out) / C at temperatures T. */
  const slopes = (t: readonly number[]): number[] =>
    times(conductances, t).map((out, i) => {
      const { joulesPerKelvin } = nodes[i] ?? { joulesPerKelvin: 1 };
      const power = i === heated ? powerAt(heater, t[i] ?? 0) : 0;
      return ((fromRoom[i] ?? 0) + power - out) / joulesPerKelvin;
    });
  const inverse = (slope: number): Matrix =>
    inverseOf(
      nodes.map(({ joulesPerKelvin }, i) =>
        nodes.map(
          (_, j) =>
            (i === j ? 1 : 0) +
            ((GAMMA * h) / joulesPerKelvin) *
              ((conductances[i]?.[j] ?? 0) - (i === heated && j === heated ? slope : 0)),
        ),
      ),
    );
  const inBandSlope = -heater.watts / BAND;
  const inverses = { flat: inverse(0), inBand: inverse(inBandSlope) };
  /** k with k = f(base + γ h k): linear but for the heater, which is tried full, in its band and off until it agrees. */
  const stage = (base: readonly number[]): number[] => {
    let t = [...base];
    for (let turn = 0; turn < MOST_TURNS; turn++) {
      const at = t[heated] ?? 0;
      const power = powerAt(heater, at);
      const inBand = power > 0 && power < heater.watts;
      const slope = inBand ? inBandSlope : 0;
      const right = nodes.map(
        ({ joulesPerKelvin }, i) =>
          (base[i] ?? 0) +
          ((GAMMA * h) / joulesPerKelvin) * ((fromRoom[i] ?? 0) + (i === heated ? power - slope * at : 0)),
      );
      t = times(inBand ? inverses.inBand : inverses.flat, right);
      const now = powerAt(heater, t[heated] ?? 0);
      const meant = power + slope * ((t[heated] ?? 0) - at);
      if (Math.abs(now - meant) < CLOSE) break;
    }
    return slopes(t);
  };
  let t = nodes.map(({ startC }) => startC);
  const moments: Moment[] = [{ s: 0, celsius: t }];
  const count = Math.round(seconds / h);
  for (let n = 1; n <= count; n++) {
    const one = stage(t);
    const two = stage(t.map((each, i) => each + (1 - GAMMA) * h * (one[i] ?? 0)));
    t = t.map((each, i) => each + h * ((1 - GAMMA) * (one[i] ?? 0) + GAMMA * (two[i] ?? 0)));
    const now = { s: n * h, celsius: t };
    moments.push(now);
    if (until?.(now)) break;
  }
  return moments;
}
