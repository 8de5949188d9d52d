import { netlist, type Assembly, type Terminal } from '../../src/core/assembly';

/** A source of direct voltage behind a resistance, from one terminal to another, V and Ω; or a plain resistance. */
export interface Branch {
  readonly from: Terminal;
  readonly to: Terminal;
  readonly ohms: number;
  readonly volts?: number;
}

/**
 * Voltages on the nets of a lead with branches hung on it, by nodal analysis that shares nothing with the program's own:
 * each resistor of the lead is a branch, an LED that conducts is a source of its forward drop behind 1 mΩ. The ground
 * is at 0 V. Returns the voltage of a terminal, V.
 */
export function solve(
  assembly: Assembly,
  ground: Terminal,
  branches: readonly Branch[],
): (terminal: Terminal) => number {
  const { netOf, parts } = netlist(assembly);
  const name = (terminal: Terminal): string => netOf.get(terminal)?.name ?? terminal;
  const inside = parts.flatMap(({ part, leads }): { a: string; b: string; ohms: number; volts: number }[] => {
    if (part.kind === 'resistor')
      return [{ a: leads['a'] ?? '', b: leads['b'] ?? '', ohms: part.ohms ?? 0, volts: 0 }];
    if (part.kind === 'led')
      return [
        { a: leads['anode'] ?? '', b: leads['cathode'] ?? '', ohms: 1e-3, volts: -(part.forwardVolts ?? 0) },
      ];
    return [];
  });
  const all = [
    ...inside,
    ...branches.map((each) => ({
      a: name(each.from),
      b: name(each.to),
      ohms: each.ohms,
      volts: each.volts ?? 0,
    })),
  ];
  const zero = name(ground);
  const nodes = [...new Set(all.flatMap(({ a, b }) => [a, b]))].filter((node) => node !== zero);
  const at = new Map(nodes.map((node, n) => [node, n]));
  const size = nodes.length;
  const rows = nodes.map(() => new Array<number>(size + 1).fill(0));
  const add = (row: string, column: string | undefined, value: number): void => {
    const r = at.get(row);
    const c = column === undefined ? size : at.get(column);
    const line = r === undefined ? undefined : rows[r];
    if (line && c !== undefined) line[c] = (line[c] ?? 0) + value;
  };
  // A branch drives current (V_a − V_b + volts) ÷ ohms from a to b.
  for (const { a, b, ohms, volts } of all) {
    add(a, a, 1 / ohms);
    add(b, b, 1 / ohms);
    add(a, b, -1 / ohms);
    add(b, a, -1 / ohms);
    add(a, undefined, -volts / ohms);
    add(b, undefined, volts / ohms);
  }
  for (let pivot = 0; pivot < size; pivot++) {
    const best = rows
      .slice(pivot)
      .reduce(
        (b, row, n) => (Math.abs(row[pivot] ?? 0) > Math.abs(rows[b]?.[pivot] ?? 0) ? n + pivot : b),
        pivot,
      );
    [rows[pivot], rows[best]] = [rows[best] ?? [], rows[pivot] ?? []];
    const lead = rows[pivot] ?? [];
    for (const [n, row] of rows.entries()) {
      const factor = n === pivot ? 0 : (row[pivot] ?? 0) / (lead[pivot] ?? 1);
      if (factor !== 0) for (let c = pivot; c <= size; c++) row[c] = (row[c] ?? 0) - factor * (lead[c] ?? 0);
    }
  }
  const volts = new Map(nodes.map((node, n) => [node, (rows[n]?.[size] ?? 0) / (rows[n]?.[n] ?? 1)]));
  return (terminal) => (name(terminal) === zero ? 0 : (volts.get(name(terminal)) ?? Number.NaN));
}

export const decibels = (ratio: number): number => 20 * Math.log10(Math.abs(ratio));
