import { cableOf } from '../../assembly';
import type { CableEntry } from '../../catalogue';
import type { Operation, Workplace } from '../types';

const HOW: Readonly<Record<CableEntry['screen'], readonly string[]>> = {
  braid: [
    'Comb the braid out from the end and twist it tight.',
    'If the bundle is too fat for the cup, thin it by about a third.',
  ],
  spiral: ['Unwind it in one go and twist it tight.'],
  foil: ['Cut the foil back to the jacket. Keep the drain wire.'],
  none: [],
};

/** Makes the screen into a conductor. */
export const screen = ({ assembly, end, strips }: Workplace): readonly Operation[] =>
  strips.flatMap((each): Operation[] => {
    const span = assembly.spans.find((candidate) => candidate.id === each.span);
    const cable = span && cableOf(assembly, span);
    if (!cable || cable.screen === 'none' || span.carries) return [];
    return [
      {
        id: `screen-${end.id}-${each.span}`,
        kind: 'screen',
        end: end.id,
        title:
          cable.screen === 'foil'
            ? `Cut the foil at end ${end.id}, keep the drain`
            : `Twist the screen at end ${end.id} into one conductor`,
        detail: [
          ...HOW[cable.screen],
          ...(cable.conductiveLayer
            ? [
                'Peel the black conductive layer back 5 mm clear of where the joint will be: left on, it leaks.',
              ]
            : []),
        ],
      },
    ];
  });
