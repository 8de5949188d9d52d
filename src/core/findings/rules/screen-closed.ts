import { sayBetween } from './say';
import { mendings } from '../mend';
import type { Rule } from '../types';

export const screenClosed: Rule = {
  id: 'screen-closed',
  what: 'A screen that was to be open at one end, and is joined at both.',
  source: 'the school or recipe that leaves it open',
  find: (used) =>
    used.miswired.flatMap((each) =>
      each.is === 'closed'
        ? [
            {
              severity: 'caution' as const,
              says: `The screen goes through from ${each.from} to ${each.to}, and was to be open at one end.`,
              because: `${each.left.says} Between ${sayBetween(each.pair)} it is joined at both.`,
              hear: 'The hum of a ground loop, which leaving it open was to stop.',
              about: each.from,
              at: [each.from, each.to],
              remedies: mendings(used, each),
            },
          ]
        : [],
    ),
};
