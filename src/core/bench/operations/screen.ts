import { cableOf, conductorsOf, conductorTerminal, spanById, type Assembly, type Span } from '../../assembly';
import type { CableEntry } from '../../catalogue';
import { screenToThin } from '../../fit';
import { capital } from '../../quantity';
import { ofSpan } from '../hand';
import type { Operation, Workplace } from '../types';

const HOW: Readonly<Record<CableEntry['screen'], readonly string[]>> = {
  braid: ['Comb the braid out from the end and twist it tight.'],
  spiral: ['Unwind it in one go and twist it tight.'],
  foil: ['Cut the foil back to the jacket. Keep the drain wire.'],
  none: [],
};

/** Whether any screen or drain of a cable goes somewhere at this body: one that is cut back is not made into a conductor first. */
const isJoinedHere = (assembly: Assembly, span: Span, body: string): boolean =>
  conductorsOf(assembly, span).some(
    ({ id, is }) =>
      is !== 'core' && !assembly.unjoined.some(({ at }) => at === conductorTerminal(span.id, id, body)),
  );

/** Makes the screen into a conductor. */
export const screen = ({ assembly, end, body, strips }: Workplace): readonly Operation[] =>
  strips.flatMap((each): Operation[] => {
    const span = spanById(assembly, each.span);
    const cable = span && cableOf(assembly, span);
    if (!cable || cable.screen === 'none' || span.carries) return [];
    const joined = isJoinedHere(assembly, span, body.id);
    const layer = cable.conductiveLayer
      ? ['Peel the black conductive layer back 5 mm clear of where the joint will be: left on, it leaks.']
      : [];
    // What is only cut back is said where it is cut back.
    if (!joined && cable.screen !== 'foil' && layer.length === 0) return [];
    const thin = joined ? screenToThin(assembly, body, each.span) : undefined;
    const of = ofSpan(assembly, body.id, each.span);
    const at = `at end ${end.id}`;
    return [
      {
        id: `screen-${end.id}-${each.span}`,
        kind: 'screen',
        end: end.id,
        title: !joined
          ? cable.screen === 'foil'
            ? `Cut the foil${of} back ${at}`
            : `Peel the conductive layer${of} back ${at}`
          : cable.screen === 'foil'
            ? `Cut the foil${of} ${at}, keep the drain`
            : `Twist the screen${of} ${at} into one conductor`,
        detail: [
          ...(thin
            ? [
                `First cut about ${thin.share} of its strands away: ${thin.alone ? 'its contact does not take it whole' : 'with what shares its contact it would not go in'}. ${capital(thin.times)}.`,
              ]
            : []),
          ...(joined ? HOW[cable.screen] : ['It ends here, and touches nothing.']),
          ...layer,
        ],
      },
    ];
  });
