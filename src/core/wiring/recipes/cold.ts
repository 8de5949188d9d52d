import type { Because } from '../../assembly';
import type { Ask } from '../types';
import { COLD_LEG_RULE, COLD_TREATMENTS, type ColdTreatment } from '../connect';
import { answer, type Choice } from './types';

const ruleOf = (ask: Ask) => {
  const kind = ask.links[0]?.out.port.coldLeg ?? 'ground-referenced';
  return COLD_LEG_RULE[kind];
};

/** What is done with the cold leg, asked of every recipe that takes a balanced output to an unbalanced input. */
export const coldChoice = (ask: Ask): Choice => ({
  id: 'cold',
  question: 'What is done with the cold leg?',
  options: COLD_TREATMENTS,
  default: ruleOf(ask).treatment,
  because: ruleOf(ask).says,
});

export function coldOf(ask: Ask): { readonly cold: ColdTreatment; readonly coldBecause: Because } {
  const cold = answer(ask, coldChoice(ask)) as ColdTreatment;
  return {
    cold,
    coldBecause:
      cold === ruleOf(ask).treatment
        ? { says: ruleOf(ask).says, source: 'common practice' }
        : { says: 'The builder chose this against the kind of output.' },
  };
}
