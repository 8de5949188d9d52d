/** No foot comes down twice within this, ms: the second is a bounce. */
const BOUNCE_MS = 80;
/** What cannot go on later is not run through: between two confirmations lies at least this, ms. */
const GATE_MS = 400;

/** When it last came down: a bounce is one also where the press before it went on to another lead. */
let last = -Infinity;

/**
 * What a pedal or a key does, once for each press: one that is held down repeats itself, and is taken once; one that bounces too, and at a
 * gate it is waited longer.
 */
export const pedalled =
  (atGate: boolean) =>
  (act: () => void) =>
  (event: KeyboardEvent): void => {
    const since = event.timeStamp - last;
    if (event.repeat || since < (atGate ? GATE_MS : BOUNCE_MS)) return;
    last = event.timeStamp;
    act();
  };
