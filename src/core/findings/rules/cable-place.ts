import { cableOf } from '../../assembly';
import type { Finding, Rule } from '../types';

export const cablePlace: Rule = {
  id: 'cable-place',
  what: 'A cable where it does not live: a stiff one that is walked on, any other in a wall; and what its entry says to look out for.',
  source: 'common practice; local code decides about walls',
  find: ({ assembly, situation }) => {
    const cables = [
      ...new Set(
        assembly.spans.filter((span) => !span.carries).flatMap((span) => cableOf(assembly, span) ?? []),
      ),
    ];
    return cables.flatMap((cable): readonly Omit<Finding, 'rule'>[] => {
      const common = { about: cable.id, remedies: [] };
      if (situation.surroundings === 'stage' && cable.flex === 'fixed')
        return [
          {
            ...common,
            severity: 'caution',
            says: `${cable.name} is for fixed runs, and this lead is for the stage floor.`,
            because: 'Its conductors and jacket are not made to be coiled, walked on and pulled.',
            hear: 'After some weeks: crackle, then nothing.',
          },
        ];
      return situation.surroundings === 'wall' && cable.flex !== 'fixed'
        ? [
            {
              ...common,
              severity: 'note',
              says: `${cable.name} in a wall: local code asks for a fire rating in most places, and decides.`,
              because: 'Cable that is not rated carries fire and smoke along a wall.',
              hear: 'Nothing.',
            },
          ]
        : [];
    });
  },
};
