import { cableOf } from '../../assembly';
import { CABLES } from '../../catalogue';
import type { Rule } from '../types';

export const foilOnStage: Rule = {
  id: 'foil-on-stage',
  what: 'A foil screen on a stage floor.',
  source: 'common practice',
  find: ({ assembly, situation }) =>
    situation.surroundings !== 'stage'
      ? []
      : assembly.spans.flatMap((span) => {
          const cable = cableOf(assembly, span);
          if (!cable || cable.screen !== 'foil' || span.carries) return [];
          const instead = CABLES.find((each) => each.kind === cable.kind && each.flex === 'stage');
          return [
            {
              severity: 'caution',
              says: `${cable.name} has a foil screen, and this lead is for the stage floor.`,
              because: 'Foil cracks when it is trodden on, coiled and pulled.',
              hear: 'After some weeks: hum and crackle when the lead is moved.',
              about: span.id,
              remedies: instead
                ? [
                    {
                      says: `Use ${instead.name.toLowerCase()}`,
                      change: { kind: 'set', path: 'cable', value: instead.id },
                    },
                  ]
                : [],
            },
          ];
        }),
};
