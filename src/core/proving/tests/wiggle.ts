import { partsOf } from './built';
import type { TestKind } from './types';

/** A joint that was never good, up to this, Ω, comes and goes when it is moved (handbook, section 10: tens of ohms, or comes and goes). */
const COLD = 2000;

/** What comes and goes is found with a signal on and a hand at each end. */
export const wiggle: TestKind = (assembly, situation) =>
  situation && assembly.spans.length > 0 && partsOf(assembly).length > 0
    ? [
        {
          trial: {
            id: 'test:wiggle',
            kind: 'test',
            says: partsOf(assembly).some(({ kind }) => kind === 'battery')
              ? 'Hold the tips together and wiggle each wire: the lamp stays lit, and does not flicker.'
              : 'Wiggle each end with the signal on: it neither crackles nor comes and goes.',
          },
          answers: ({ extra = [] }) => !extra.some(({ ohms }) => ohms > 0 && ohms <= COLD),
        },
      ]
    : [];

/** What was closed by hand around moving wires is listened to once more after a night. */
export const nextDay: TestKind = (assembly, situation) =>
  situation?.channels.some(({ port }) => port.signal === 'headphone') &&
  assembly.bodies.some(({ kind }) => kind === 'device' || kind === 'box')
    ? [
        {
          trial: {
            id: 'test:next day',
            kind: 'test',
            says: 'Listen again on the next day: both sides as on the first.',
          },
          answers: () => true,
        },
      ]
    : [];
