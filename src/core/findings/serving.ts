import { schoolsOf, type Lead } from '../lead';
import { formatLength } from '../quantity';
import { lengthSystem } from '../wiring';
import type { Finding } from './types';

/** What a lead is still good for once it is shorter. */
export interface Serving {
  readonly serves: boolean;
  readonly says: string;
  /** What speaks against it that did not before. */
  readonly against: readonly string[];
}

/** Shorter than this it is no lead any more, mm: no cable is left between its connectors. */
const LEAST_MM = 100;

const keyOf = ({ rule, about, severity }: Finding): string => `${rule} ${about} ${severity}`;

/**
 * Whether a lead still serves its job with so much left of it: by how much it falls short of what was asked, and what the rules say of the shorter lead
 * that they did not say of it as it was (a pickup lead, for instance, whose capacitance falls below what its cartridge is to see).
 */
export function servingBy(
  findings: (lead: Lead) => readonly Finding[],
  lead: Lead,
  { newMm, askedMm }: { readonly newMm: number; readonly askedMm: number },
): Serving {
  const system = lengthSystem(schoolsOf(lead));
  const say = (mm: number): string => formatLength(Math.round(mm), system);
  if (newMm < LEAST_MM)
    return {
      serves: false,
      says: 'No cable is left between its connectors then: renew the cable.',
      against: [],
    };
  const { assembly } = lead;
  const shorter: Lead = {
    ...lead,
    assembly: {
      ...assembly,
      lengths: assembly.lengths.map((each, n) => (n === 0 ? { ...each, mm: newMm } : each)),
    },
  };
  const before = new Set(findings(lead).map(keyOf));
  const came = findings(shorter).filter((finding) => !before.has(keyOf(finding)));
  const reach = `It is ${say(askedMm - newMm)} shorter than was asked, and serves where ${say(newMm)} reach`;
  return {
    serves: came.every(({ severity }) => severity === 'note'),
    says:
      came.length === 0
        ? `${reach}: nothing speaks against it that did not before.`
        : `${reach}. Not as it was before:`,
    against: came.map(({ says, hear }) => `${says} ${hear}`),
  };
}
