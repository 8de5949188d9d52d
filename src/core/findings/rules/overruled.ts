import type { Rule } from '../types';

export const overruled: Rule = {
  id: 'overruled',
  what: 'What was refused and is done anyway stays said for as long as the lead is.',
  source: 'the refusal that was overruled',
  find: ({ situation }) =>
    situation.overruled.map((each) => ({
      severity: 'caution',
      says: `Done anyway: ${each.says}`,
      because: 'Antler refused this wiring, and the builder overruled it.',
      hear: each.hear,
      about: each.id,
      remedies: [{ says: 'Take it back', change: { kind: 'clear', path: 'anyway', also: ['wiring'] } }],
    })),
};
