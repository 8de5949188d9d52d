import type { CableEntry, ConnectorEntry } from '../catalogue';
import type { Schools } from '../wiring';

/** What takes and carries heat, by volume: J/(mm³·K) and W/(mm·K) (handbooks of materials, from memory). */
export const COPPER = { heat: 3.45e-3, carries: 0.39 };
export const BRASS = { heat: 3.2e-3, carries: 0.11 };
export const PLASTIC = { heat: 2.1e-3 };
/** Polyethylene takes as much again to melt: 0.92 g/cm³ × 240 J/g over the 90 K before it (from memory). */
export const MELTING = 2.45e-3;
/** Solder with what it takes to melt spread over the way to its melting point (60/40: 8.4 g/cm³, 0.176 J/(g·K), 45 J/g; from memory). */
export const SOLDER = { heat: 1.48e-3 + 2.2e-3 };

/** Where a solder is all liquid, °C (J-STD-006, from memory). */
const LIQUIDUS: Readonly<Record<string, number>> = { 'tin-lead': 190, 'lead-free': 227, silver: 179 };
/** Where the solder of a school is all liquid, °C. */
export const liquidusOf = (schools: Schools): number => LIQUIDUS[schools['solder'] ?? ''] ?? 190;
/** Above its liquidus by this much a joint wets and flows, K (handbook, section 9). */
export const TO_WET = 40;

/** Where something gives way, °C, with the range that such things have. */
export interface Softens {
  /** Whether it takes heat of its own to melt, and not only to get warm. */
  readonly melts?: boolean;
  readonly what: string;
  readonly celsius: number;
  readonly from: number;
  readonly to: number;
}

/** The insulation of a cable’s cores, by its kind: nobody says it on a reel (handbook, section 9, from memory). */
export function insulationOf({ kind }: Pick<CableEntry, 'kind'>): Softens {
  if (kind === 'hook-up' || kind === 'loudspeaker')
    return { what: 'flexible PVC', celsius: 120, from: 105, to: 140 };
  if (kind === 'litz') return { what: 'lacquer', celsius: 370, from: 370, to: 400 };
  return { what: 'polyethylene', melts: true, celsius: 110, from: 105, to: 115 };
}

/** The insert that holds the contacts, by family (from memory: glass-filled polyamide, acetal, polypropylene). */
export function insertOf({ family }: Pick<ConnectorEntry, 'family'>): Softens {
  if (/^(?:xlr|d25|din|twist)/.test(family)) return { what: 'the insert', celsius: 220, from: 200, to: 250 };
  if (family.startsWith('phono')) return { what: 'the insulator', celsius: 160, from: 140, to: 165 };
  return { what: 'the insulator', celsius: 165, from: 150, to: 175 };
}
