import { isBalanced } from '../../catalogue';
import { formatCapacitance } from '../../quantity';
import { sayHertz } from '../../signal';
import type { ChannelPair } from '../../situation';
import type { Grade, Reason } from './reason';
import type { Candidate, Criterion } from './types';

/** The top of what is heard, Hz. */
const TOP = 20_000;

/** The longest way of cable through the lead, m. */
const longest = ({ ask, metres }: Candidate): number =>
  Math.max(0, ...metres.values(), (ask.intent.length?.mm ?? 0) / 1000);

/**
 * What a channel’s leg has of capacitance, F: between the legs of what is balanced, core to screen of what is not. Cores
 * that are joined have as much more.
 */
export function faradsOf(candidate: Candidate, { out, in: to }: ChannelPair): number | undefined {
  const { pFPerMetre } = candidate.cable;
  if (!pFPerMetre) return undefined;
  const both = isBalanced(out.roles) && isBalanced(to.roles);
  const perMetre = both ? (pFPerMetre.coreToCore ?? pFPerMetre.coreToScreen) : pFPerMetre.coreToScreen;
  return perMetre * 1e-12 * longest(candidate);
}

const graded = (value: number, good: number, fair: number, poor: number): Grade =>
  value <= good ? 'good' : value <= fair ? 'fair' : value <= poor ? 'poor' : 'wrong';

type Judged = Omit<Reason, 'id' | 'source'>;

/** A coil rings with the lead: how far its resonance comes down from where it is with its own capacitance alone. */
function atCoil(candidate: Candidate, link: ChannelPair): Judged | undefined {
  const { coil, wantsPicofarads } = link.out.port;
  const lead = faradsOf(candidate, link);
  if (!coil || lead === undefined) return undefined;
  if (wantsPicofarads) {
    const all = lead + (link.in.port.picofarads ?? 0) * 1e-12;
    const over = all / (wantsPicofarads.to * 1e-12);
    return {
      grade: graded(over, 1, 1.25, 2),
      says: `With the input it loads the pickup with ${formatCapacitance(all)}; ${wantsPicofarads.from} to ${wantsPicofarads.to} pF is wanted.`,
    };
  }
  const resonance = 1 / (2 * Math.PI * Math.sqrt(coil.henries * (lead + coil.picofarads * 1e-12)));
  const own = coil.picofarads * 1e-12;
  return {
    grade: graded(Math.sqrt((lead + own) / own), 2.5, 3.3, 5),
    says: `Its ${formatCapacitance(lead)} bring the pickup’s resonance to ${sayHertz(resonance)}.`,
  };
}

/** A source’s impedance and the lead’s capacitance are a low-pass: f₋₃ = 1/(2πRC). */
function lowPass(candidate: Candidate, link: ChannelPair): (Judged & { readonly lost: number }) | undefined {
  const lead = faradsOf(candidate, link);
  const ohms =
    (link.out.port.impedance * link.in.port.impedance) / (link.out.port.impedance + link.in.port.impedance);
  if (lead === undefined || !(ohms > 0)) return undefined;
  const corner = 1 / (2 * Math.PI * ohms * lead);
  const lost = 10 * Math.log10(1 + (TOP / corner) ** 2);
  return {
    lost,
    grade: graded(lost, 0.1, 0.5, 3),
    says:
      lost <= 0.1
        ? 'Its capacitance takes nothing that is heard from this source.'
        : `Its ${formatCapacitance(lead)} take ${lost.toFixed(lost < 1 ? 2 : 1)} dB at 20 kHz from this source.`,
  };
}

export const capacitance: Criterion = {
  id: 'capacitance',
  what: 'What its capacitance takes from the top, with this source over this length.',
  source: 'f₋₃ = 1/(2πRC), and f = 1/(2π√(LC)) of a coil; capacitance of cables typical, from memory',
  judge(candidate) {
    const { links } = candidate.ask;
    if (
      links.some(({ out }) => 'plus' in out.roles || out.port.signal === 'test' || out.port.signal === 'data')
    )
      return undefined;
    const [coil] = links.flatMap((link) => atCoil(candidate, link) ?? []);
    if (coil) return coil;
    const [worst] = links.flatMap((link) => lowPass(candidate, link) ?? []).sort((a, b) => b.lost - a.lost);
    return worst && { grade: worst.grade, says: worst.says };
  },
};
