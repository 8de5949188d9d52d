import type { Intent, IntentEnd } from '../../src/core/wiring';

export const MICROPHONE: IntentEnd = { port: 'microphone', family: 'xlr3' };
export const MICROPHONE_INPUT: IntentEnd = { port: 'microphone-input', family: 'xlr3' };

/** The plainest lead: a moving-coil microphone into a microphone input, 6 m on a stage floor. */
export const PLAIN_INTENT = {
  version: 5,
  from: [MICROPHONE],
  to: [MICROPHONE_INPUT],
  length: { mm: 6000, datum: 'face' },
  surroundings: 'stage',
  cable: 'pair-braid',
  schools: {},
} as const satisfies Intent;

/** What of the plainest lead is otherwise. One end may stand for a list of one, and the cold leg for its choice. */
export type Patch = Partial<Omit<Intent, 'from' | 'to'>> & {
  readonly from?: IntentEnd | readonly IntentEnd[];
  readonly to?: IntentEnd | readonly IntentEnd[];
  readonly cold?: string;
};

const list = (ends: IntentEnd | readonly IntentEnd[]): readonly IntentEnd[] =>
  Array.isArray(ends) ? (ends as readonly IntentEnd[]) : [ends as IntentEnd];

export const intentFor = ({ from, to, cold, ...patch }: Patch = {}): Intent => ({
  ...PLAIN_INTENT,
  ...patch,
  ...(from ? { from: list(from) } : {}),
  ...(to ? { to: list(to) } : {}),
  ...(cold ? { choices: { cold } } : {}),
});
