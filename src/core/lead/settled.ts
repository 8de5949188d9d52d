import type { Intent } from '../wiring';
import type { Lead } from './document';

/** What a lead is for, with the cable that was chosen for it where that was left open: what it is compared with others by. */
export function settledIntent({ intent, assembly }: Lead): Intent | undefined {
  if (!intent || intent.cable !== undefined) return intent;
  const cable = assembly.spans[0]?.cable;
  return cable === undefined ? intent : { ...intent, cable };
}
