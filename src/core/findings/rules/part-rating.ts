import { leadTerminal } from '../../assembly';
import { sayVolts, sayWatts, stressOf } from '../../signal';
import type { Rule } from '../types';

/** What a small resistor bears where nothing is said of it, W (common practice). */
const USUAL_WATTS = 0.25;
/** What is made: resistors, W; capacitors, V (common practice). */
const WATTS = [0.25, 0.5, 1, 2, 5, 10, 20, 50, 100];
const VOLTS = [16, 25, 35, 50, 63, 100, 160, 250];

export const partRating: Rule = {
  id: 'part-rating',
  what: 'A resistor that gets hotter than it is made for, a capacitor that gets more volts.',
  source:
    'by the circuit: P = V² ÷ R (circuit law), at nominal level with the supplies on; ratings common practice',
  find: ({ assembly, situation, lengths }) =>
    stressOf(assembly, situation, { lengths }).flatMap(({ part, volts, watts }) => {
      const isResistor = part.kind === 'resistor';
      const rated = isResistor ? (part.ratings?.watts ?? USUAL_WATTS) : part.ratings?.volts;
      const isKnown = (isResistor ? part.ratings?.watts : part.ratings?.volts) !== undefined;
      const bears = isResistor ? watts : Math.abs(volts);
      if (rated === undefined || bears <= rated) return [];
      const say = isResistor ? sayWatts : sayVolts;
      const next = (isResistor ? WATTS : VOLTS).find((each) => each >= 1.2 * bears);
      return [
        {
          severity: 'stop' as const,
          says: `${isResistor ? 'The resistor' : 'The capacitor'} ${part.id} gets ${say(bears)} and ${isKnown ? 'is made for' : 'is not said to bear more than the usual'} ${say(rated)}.`,
          because: isResistor
            ? 'By the circuit, at the nominal level of what sends and with the supplies on, so much becomes heat in it.'
            : 'By the circuit, with the supplies on, so much stands on it.',
          hear: isResistor
            ? 'It gets too hot to touch, smells, and is open or burnt in the end; what lies beside it melts.'
            : 'It leaks, crackles, and bursts in the end.',
          about: part.id,
          at: ['a', 'b'].map((leg) => leadTerminal(part.id, leg)),
          remedies:
            next === undefined
              ? []
              : [
                  {
                    says: `Put one of ${say(next)} in`,
                    change: {
                      kind: 'edit' as const,
                      edit: {
                        kind: 'change-part' as const,
                        part: {
                          ...part,
                          ratings: { ...part.ratings, ...(isResistor ? { watts: next } : { volts: next }) },
                        },
                      },
                    },
                  },
                ],
        },
      ];
    }),
};
