import { endName, type Intent } from '../wiring';

/**
 * Where an end of the lead stands in its intent, as a path: `from[0]`. Undefined where the lead has no intent, or the end
 * is not from it.
 */
export function slotOf(intent: Intent | undefined, end: string): string | undefined {
  const count = intent?.from.length ?? 0;
  const ends = [...(intent?.from ?? []), ...(intent?.to ?? [])];
  const n = ends.findIndex((_, place) => endName(place) === end);
  return n < 0 ? undefined : n < count ? `from[${n}]` : `to[${n - count}]`;
}
