import type { Because } from '../../assembly';
import type { ColdLeg } from '../../catalogue';
import type { ColdTreatment } from '../intent';
import type { Line, Link } from '../plan';
import { groundContact, left, needsTwoCores, on, pairFor, screenLine, shellLinks, straight } from './parts';
import type { Recipe } from './types';

/** What each kind of output wants done with its cold leg at an unbalanced input (common practice). */
export const COLD_LEG_RULE: Readonly<
  Record<ColdLeg, { readonly treatment: ColdTreatment; readonly says: string }>
> = {
  'ground-referenced': {
    treatment: 'open',
    says: 'The cold leg is driven against ground: joining it to ground would short that amplifier. It is left open; half the voltage is lost (−6 dB).',
  },
  'cross-coupled': {
    treatment: 'source',
    says: 'The output senses a grounded cold leg and makes up the level, but only if the join is at its own end. Nothing is lost, but it clips about 6 dB sooner.',
  },
  transformer: {
    treatment: 'far',
    says: 'The winding floats: the cold leg is its way back, so it is carried to the far end and joined to the return there. Nothing is lost.',
  },
  'impedance-balanced': {
    treatment: 'open',
    says: 'The cold leg carries no signal, so it may be open or joined: left open it is one joint less. Nothing is lost.',
  },
};

export const balancedToUnbalanced: Recipe = {
  id: 'balanced-to-unbalanced',
  name: 'balanced output into unbalanced input',
  source: 'common practice',
  fit(ask) {
    if (!ask.from.port.balanced || ask.to.port.balanced)
      return { fits: false, why: 'It is for a balanced output into an unbalanced input.' };
    const problem = needsTwoCores(ask);
    return problem
      ? { fits: false, why: problem.says, problem }
      : {
          fits: true,
          why: 'A balanced output into an unbalanced input: what is done with the cold leg depends on the output.',
        };
  },
  plan(ask) {
    const pair = pairFor(ask);
    const rule = COLD_LEG_RULE[ask.from.port.coldLeg ?? 'ground-referenced'];
    const treatment = ask.intent.cold ?? rule.treatment;
    const because: Because =
      ask.intent.cold && ask.intent.cold !== rule.treatment
        ? { says: 'The builder chose this against the kind of output.' }
        : { says: rule.says, source: 'common practice' };
    const colour = { says: pair.says, school: 'colour' };
    const ground = groundContact(ask, 'from');
    const cold: Line = {
      role: 'cold',
      conductors: pair.cold,
      from: treatment === 'far' ? on(ask.from.roles.cold, because) : left('cut back', because.says),
      to: treatment === 'far' ? on(ask.to.roles.return, because) : left('cut back', because.says),
    };
    const links: Link[] =
      treatment === 'source' && ground !== undefined && ask.from.roles.cold !== undefined
        ? [{ side: 'from', contacts: [ask.from.roles.cold, ground], because }]
        : [];
    const screenReason =
      treatment === 'far'
        ? undefined
        : 'With the cold leg not carried, the screen is the only return: it is joined at both ends.';
    return {
      plan: {
        lines: [...screenLine(ask, screenReason), straight(ask, 'hot', pair.hot, 'hot', colour), cold],
        links: [...links, ...shellLinks(ask)],
      },
      reasons: [because, colour],
    };
  },
};
