import type { Rule } from '../types';
import { sayDb, type Figure } from '../../signal';
import { figuresOf, isMiswired } from './solved';

/** Nearer under the signal than this hum is heard in the pauses, dB (from memory). */
const HEARD = 40;

const sayUnder = ({ value, says }: Figure): string => (value < 0 ? `${sayDb(-value)} over` : `${says} under`);

export const humLevel: Rule = {
  id: 'hum-level',
  what: 'A ground difference that is heard in the pauses.',
  source: 'by the circuit at 50 or 60 Hz, with 10 mV between the two chassis (from memory)',
  find: (used) =>
    (isMiswired(used) ? [] : figuresOf(used, 'hum'))
      .filter(({ figure }) => figure.value < HEARD)
      .sort((a, b) => a.figure.value - b.figure.value)
      .slice(0, 1)
      .map(({ figure, out }) => ({
        severity: 'note' as const,
        ...(used.situation.surroundings === 'vehicle'
          ? {
              says: `With 10 mV between the grounds of the two ends the alternator whines about ${sayUnder(figure)} the signal.`,
              because:
                'The vehicle’s chassis carries the alternator’s current, and its drop along the return adds to the signal.',
              hear: 'A whine that rises with the engine’s speed.',
            }
          : {
              says: `With 10 mV between the grounds of the two ends it hums ${sayUnder(figure)} the signal.`,
              because:
                'The ground current’s drop along the return adds to the signal: both ends stand on mains earth.',
              hear: 'A steady hum in the pauses, which goes when one end is battery powered.',
            }),
        about: out?.end ?? '',
        remedies:
          used.situation.links.length === 1
            ? [
                {
                  says: 'Put a transformer in line: no metal then joins the two grounds',
                  change: { kind: 'set' as const, path: 'wiring', value: 'transformer' },
                },
              ]
            : [],
      })),
};
