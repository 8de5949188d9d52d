import type { Answer } from './verdict';

/** An answer as JSON can carry it: there is no infinity in JSON, so an open reading is `"OL"`. */
export type PlainAnswer =
  { readonly kind: 'ohms'; readonly ohms: number | 'OL' } | { readonly kind: 'beep' | 'silent' | 'unsteady' };

/** An answer as plain JSON, Ω or `"OL"`. */
export const toPlain = (answer: Answer): PlainAnswer =>
  answer.kind === 'ohms' && answer.ohms === Number.POSITIVE_INFINITY ? { kind: 'ohms', ohms: 'OL' } : answer;

/** An answer from plain JSON. */
export const fromPlain = (answer: PlainAnswer): Answer =>
  answer.kind === 'ohms'
    ? { kind: 'ohms', ohms: answer.ohms === 'OL' ? Number.POSITIVE_INFINITY : answer.ohms }
    : answer;
