import { netlist, valueOf, type Assembly, type Part } from '../assembly';

/** A netlist as plain JSON: nets named by their order, contacts of ends on them, and parts between them. */
export interface NetlistFile {
  readonly nets: Readonly<Record<string, readonly string[]>>;
  readonly parts: readonly {
    readonly id: string;
    readonly kind: string;
    /** Ω, F, or V of forward drop. */
    readonly value?: number;
    /** Of a control with several gangs, the track of each. */
    readonly values?: Readonly<Record<string, number>>;
    readonly leads: Readonly<Record<string, string>>;
  }[];
}

/** One value, or where it has several gangs the track of each. */
function valuesOf(part: Part): { value?: number; values?: Readonly<Record<string, number>> } {
  const value = valueOf(part);
  const gangs = part.kind === 'potentiometer' ? part.gangs : undefined;
  if (value === undefined) return {};
  return gangs ? { values: Object.fromEntries(gangs.map((gang) => [gang, value])) } : { value };
}

/** The nets and parts of an assembly; nets inside the lead have no contacts. */
export function netlistFile(assembly: Assembly): NetlistFile {
  const { nets, parts } = netlist(assembly);
  return {
    nets: Object.fromEntries(nets.map((net) => [net.name, net.contacts])),
    parts: parts.map(({ part, leads }) => ({
      id: part.id,
      kind: part.kind,
      ...valuesOf(part),
      leads,
    })),
  };
}
