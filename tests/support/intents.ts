import type { Intent } from '../../src/core/wiring';

/** The plainest lead: a moving-coil microphone into a microphone input, 6 m on a stage floor. */
export const PLAIN_INTENT: Intent = {
  version: 1,
  from: { port: 'microphone', family: 'xlr3' },
  to: { port: 'microphone-input', family: 'xlr3' },
  length: { mm: 6000, datum: 'face' },
  surroundings: 'stage',
  cable: 'pair-braid',
  schools: {},
};
