import { sayOf } from './say';
import type { Rule } from '../types';

export const contactTwice: Rule = {
  id: 'contact-twice',
  what: 'One contact for two signals: no wiring can be right.',
  source: 'common practice',
  find: (used) =>
    used.miswired.flatMap((each) =>
      each.is === 'twice'
        ? [
            {
              severity: 'stop' as const,
              says: `${each.one.at} is said to be ${sayOf(each.one)} and ${sayOf(each.other)} at once.`,
              because: 'One contact carries one signal.',
              hear: 'One in the other, or nothing.',
              about: each.one.at,
              at: [each.one.at],
              remedies: [],
            },
          ]
        : [],
    ),
};
