import { formatLength } from '../../quantity';
import { DARK } from '../../signal';
import type { Finding, Rule, LeadInUse } from '../types';
import { besideOf, figuresOf, type SolvedFigure } from './solved';

type Found = Omit<Finding, 'rule'> | undefined;

/** The length at which a capacitance that goes with it comes down to what is wanted, mm; nothing where no length does. */
function lengthFor({ assembly }: LeadInUse, now: number, wanted: number, fixed: number): number | undefined {
  const length = assembly.lengths[0];
  if (!length || wanted <= fixed || now <= fixed) return undefined;
  // A little less for the figure’s own error.
  const most = Math.floor((0.95 * length.mm * (wanted - fixed)) / (now - fixed) / 10) * 10;
  return most >= 100 ? most : undefined;
}

const shorten = (mm: number | undefined) =>
  mm === undefined
    ? []
    : [
        {
          says: `Keep it to ${formatLength(mm)}, or take cable of less capacitance`,
          change: { kind: 'set' as const, path: 'length.mm', value: mm },
        },
      ];

export const coil: Rule = {
  id: 'coil',
  what: 'What is wound, with a lead whose capacitance is not what it wants.',
  source: 'by the circuit; 100 to 300 pF for a cartridge common practice, the rest from memory',
  find: (used) =>
    figuresOf(used, 'capacitance')
      .flatMap((each) => cartridge(used, each) ?? pickup(used, each) ?? [])
      .slice(0, 1),
};

function cartridge(used: LeadInUse, { figure, out, into }: SolvedFigure): Found {
  const wants = out?.port.wantsPicofarads;
  if (!wants) return undefined;
  const picofarads = figure.value * 1e12;
  const fixed = into?.port.picofarads ?? 0;
  if (picofarads > wants.to)
    return {
      severity: 'caution',
      says: `The cartridge gets ${Math.round(picofarads)} pF: ${wants.from} to ${wants.to} is wanted.`,
      because: `The lead’s capacitance and the input’s ${fixed} pF stand beside each other, and its coil rings with them.`,
      hear: 'A bright edge low in the treble, and nothing above it.',
      about: out.end,
      remedies: shorten(lengthFor(used, picofarads, wants.to, fixed)),
    };
  return picofarads < wants.from
    ? {
        severity: 'note',
        says: `The cartridge gets ${Math.round(picofarads)} pF: ${wants.from} to ${wants.to} is wanted.`,
        because: 'With less beside it its coil rings too high to lift the top as it was meant to.',
        hear: 'The top a little soft.',
        about: out.end,
        remedies: [],
      }
    : undefined;
}

function pickup(used: LeadInUse, solved: SolvedFigure): Found {
  const { figure, out } = solved;
  const own = out?.port.coil;
  const rings = besideOf(used, solved, 'resonance');
  if (!own || !rings || rings.value >= DARK) return undefined;
  // The frequency goes as one over the root of all the capacitance.
  const total = figure.value + 1e-12 * own.picofarads;
  const wanted = total * (rings.value / DARK) ** 2;
  return {
    severity: 'caution',
    says: `With this lead the pickup rings at ${rings.says}, lower than is liked.`,
    because: `Its coil of ${own.henries} H rings with ${Math.round(1e12 * total)} pF, most of it the lead’s; above that nothing comes through.`,
    hear: 'Dark and thick, with a nasal edge.',
    about: out.end,
    remedies: shorten(lengthFor(used, total, wanted, 1e-12 * own.picofarads)),
  };
}
