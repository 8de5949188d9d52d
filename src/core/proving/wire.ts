import type { Answer } from './answer';
import { isProbe, type Check } from './check';

/** A figure as JSON can carry it: there is no infinity in JSON, so an open reading is `"OL"`. */
type Plain = number | 'OL';

/** An answer as JSON can carry it. */
export type PlainAnswer =
  | { readonly kind: 'ohms'; readonly ohms: Plain }
  | { readonly kind: 'volts'; readonly volts: Plain }
  | { readonly kind: 'farads'; readonly farads: number }
  | { readonly kind: 'beep' | 'silent' | 'unsteady' | 'yes' | 'no' | 'skipped' };

const plain = (value: number): Plain => (value === Number.POSITIVE_INFINITY ? 'OL' : value);
const figure = (value: Plain): number => (value === 'OL' ? Number.POSITIVE_INFINITY : value);

/** An answer as plain JSON, with `"OL"` for an open reading. */
export const toPlain = (answer: Answer): PlainAnswer =>
  answer.kind === 'ohms'
    ? { kind: 'ohms', ohms: plain(answer.ohms) }
    : answer.kind === 'volts'
      ? { kind: 'volts', volts: plain(answer.volts) }
      : answer;

/** An answer from plain JSON. */
export const fromPlain = (answer: PlainAnswer): Answer =>
  answer.kind === 'ohms'
    ? { kind: 'ohms', ohms: figure(answer.ohms) }
    : answer.kind === 'volts'
      ? { kind: 'volts', volts: figure(answer.volts) }
      : answer;

/** A figure, or 1 and 0 for yes and no, as the answer to a check; nothing as not done. */
export function answerOf(check: Check, value: number | undefined): Answer {
  if (value === undefined) return { kind: 'skipped' };
  if (!isProbe(check)) return { kind: value >= 1 ? 'yes' : 'no' };
  if (check.mode === 'diode') return { kind: 'volts', volts: value };
  if (check.mode === 'capacitance') return { kind: 'farads', farads: value };
  return { kind: 'ohms', ohms: value };
}
