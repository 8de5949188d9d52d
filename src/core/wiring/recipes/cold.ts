import type { Because } from '../../assembly';
import type { ChannelPair } from '../../situation';
import type { Ask } from '../types';
import { COLD_LEG_RULE, COLD_TREATMENTS, type ColdTreatment } from '../connect';
import { answer, type Choice } from './types';

const ruleOf = ({ out }: ChannelPair) => COLD_LEG_RULE[out.port.coldLeg ?? 'ground-referenced'];

/** What is done with the cold leg, asked of every recipe that takes a balanced output to an unbalanced input. */
export const coldChoice = (link: ChannelPair): Choice => ({
  id: 'cold',
  question: 'What is done with the cold leg?',
  options: COLD_TREATMENTS,
  default: ruleOf(link).treatment,
  because: ruleOf(link).says,
});

/** What is done with the cold leg of one link: what was answered for all, else what its own output wants. */
export function coldOf(
  ask: Ask,
  link: ChannelPair,
  choice: Choice = coldChoice(link),
): { readonly cold: ColdTreatment; readonly coldBecause: Because } {
  const cold = answer(ask, choice) as ColdTreatment;
  return {
    cold,
    coldBecause:
      cold === choice.default
        ? { says: choice.because, source: 'common practice' }
        : { says: 'The builder chose this against the kind of output.' },
  };
}
