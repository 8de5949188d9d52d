import { capital } from '../../quantity';
import type { Finding, Rule } from '../types';

export const partBeside: Rule = {
  id: 'part-beside',
  what: 'Two resistors on the same two nets: one of them is where it was not meant to be.',
  source: 'common practice',
  find: ({ netlist }) => {
    const between = new Map<string, string[]>();
    for (const { part, leads } of netlist.parts)
      if (part.kind === 'resistor') {
        const place = Object.values(leads).sort().join(' ');
        between.set(place, [...(between.get(place) ?? []), part.id]);
      }
    return [...between.values()].flatMap((ids): readonly Omit<Finding, 'rule'>[] =>
      ids.length < 2
        ? []
        : [
            {
              severity: 'caution',
              says: `${capital(new Intl.ListFormat('en').format(ids))} lie side by side, between the same two places.`,
              because:
                'One resistor would do for both: one of them is meant to be joined elsewhere, to ground or to another channel.',
              hear: 'Another level, or a crackle when something is plugged in.',
              about: ids[0] ?? '',
              at: [],
              remedies: [],
            },
          ],
    );
  },
};
