import type { CableEntry } from '../../catalogue';
import { capital } from '../../quantity';
import { NEEDS, needOf, type Need } from './need';
import type { Grade } from './reason';
import type { Criterion } from './types';

/** What the trade calls a cable, which decides what it is taken for. */
type Sort =
  | 'pair'
  | 'quad'
  | 'coax'
  | 'twin'
  | 'multipair'
  | 'loudspeaker'
  | 'twisted pair'
  | 'screened cores'
  | 'hand braid'
  | 'loose wires'
  | 'litz';

const sortOf = ({ kind, screen, conductors }: CableEntry): Sort => {
  if (kind === 'pair') return screen === 'none' ? 'twisted pair' : 'pair';
  if (kind !== 'hook-up') return kind;
  if (screen !== 'none') return 'screened cores';
  return conductors.length === 3 ? 'hand braid' : 'loose wires';
};

/** What each is used for, by what the lead needs (common practice); what is not named is poor. */
const USES: Readonly<Record<Need, Partial<Record<Sort, Grade>>>> = {
  loudspeaker: { loudspeaker: 'good' },
  instrument: { coax: 'good', pair: 'fair' },
  pickup: { twin: 'good', coax: 'fair', pair: 'fair' },
  balanced: { pair: 'good', quad: 'fair', multipair: 'fair', 'twisted pair': 'fair' },
  channels: { multipair: 'good', pair: 'good', quad: 'fair' },
  unbalanced: { coax: 'good', pair: 'fair', twin: 'fair', quad: 'fair', 'hand braid': 'fair' },
  stereo: {
    twin: 'good',
    pair: 'good',
    coax: 'fair',
    quad: 'fair',
    multipair: 'fair',
    'screened cores': 'fair',
  },
  headset: { 'screened cores': 'good', quad: 'fair', multipair: 'fair' },
  intercom: { multipair: 'good', twin: 'good', quad: 'fair', pair: 'fair' },
  cups: { litz: 'fair', 'screened cores': 'good', twin: 'good', pair: 'good' },
  probes: { 'loose wires': 'good' },
  tail: { pair: 'good', 'loose wires': 'good', 'hand braid': 'good' },
  data: { pair: 'good', quad: 'fair' },
};

const DONE_WITH: Readonly<Record<Grade, string>> = {
  good: 'What is usually taken for',
  fair: 'It can be used for',
  poor: 'It is not what is taken for',
  wrong: 'It is not for',
};

export const madeFor: Criterion = {
  id: 'made-for',
  what: 'Whether it is what the trade takes for such a lead.',
  source: 'common practice',
  judge({ ask, cable }) {
    const need = needOf(ask);
    const grade = USES[need][sortOf(cable)] ?? 'poor';
    if (cable.kind === 'quad' && need === 'balanced')
      return {
        grade,
        says: 'Four cores to join in pairs at each end, and about twice the capacitance: worth it beside dimmers and transformers.',
      };
    return { grade, says: `${capital(DONE_WITH[grade])} ${NEEDS[need]}.` };
  },
};
