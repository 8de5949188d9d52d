import { useRef } from 'react';

/** No foot comes down twice within this, ms: the second is a bounce. */
const BOUNCE_MS = 80;
/** What cannot go on later is not run through: between two confirmations lies at least this, ms. */
const GATE_MS = 400;

/**
 * What a pedal or a key does, once for each press: one that is held down repeats itself, and is taken once; one that bounces too, and at a
 * gate it is waited longer.
 */
export function usePedal(atGate: boolean): (act: () => void) => (event: KeyboardEvent) => void {
  const last = useRef(-Infinity);
  return (act) => (event) => {
    const since = event.timeStamp - last.current;
    if (event.repeat || since < (atGate ? GATE_MS : BOUNCE_MS)) return;
    last.current = event.timeStamp;
    act();
  };
}
