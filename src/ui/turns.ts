import { startTransition, useEffect, useState } from 'react';

/** Where the page lies behind another no picture is drawn, ms. */
const NO_PICTURE_MS = 100;
/** Longer than this nobody waits for one that is being drawn, ms. */
const MOST_MS = 500;

/** What waits to be drawn, each in its order: what is seen, and then what is not seen before it is opened. */
const waiting: Readonly<Record<'seen' | 'unseen', (() => void)[]>> = { seen: [], unseen: [] };
/** Whether one of them is being drawn. */
let busy = false;
/** Before the page is taken over it is drawn as the server drew it: whole. */
let inTurn = false;

/** From now on what is new on the page is drawn in turns, or at once. */
export const drawInTurns = (are: boolean): void => void (inTurn = are);

/** Does something once what was changed is on the screen. */
export function afterPicture(then: () => void): void {
  let is = false;
  const once = (): void => {
    if (is) return;
    is = true;
    clearTimeout(timer);
    then();
  };
  const timer = setTimeout(once, NO_PICTURE_MS);
  requestAnimationFrame(() => setTimeout(once));
}

function next(): void {
  const first = waiting.seen.shift() ?? waiting.unseen.shift();
  busy = first !== undefined;
  first?.();
}

/** Draws something in its turn; returns what says that it is drawn, or wanted no more. */
export function takeTurn(draw: () => void, where: keyof typeof waiting = 'seen'): () => void {
  const line = waiting[where];
  let state: 'waits' | 'drawn' | 'over' = 'waits';
  let patience: ReturnType<typeof setTimeout> | undefined;
  const over = (): void => {
    clearTimeout(patience);
    if (state === 'drawn') afterPicture(next);
    state = 'over';
  };
  const mine = (): void => {
    state = 'drawn';
    // What needs something that does not come holds up nobody else.
    patience = setTimeout(over, MOST_MS);
    draw();
  };
  line.push(mine);
  if (!busy) {
    busy = true;
    afterPicture(next);
  }
  return () => {
    if (state === 'waits') line.splice(line.indexOf(mine), 1);
    over();
  };
}

/**
 * How much of something is drawn yet, 0 to `count`: one more with each picture, after all that has waited longer. A page that is
 * put together at once holds up whoever is at it. What the server drew is there whole.
 */
export function useTurns(count: number, line: keyof typeof waiting = 'seen'): number {
  const [had, have] = useState(() => (inTurn ? 0 : count));
  // The effect of the number before is cleaned up once the next is on the page: so it is known that it is drawn.
  useEffect(
    () => (had < count ? takeTurn(() => startTransition(() => have(had + 1)), line) : undefined),
    [had, count, line],
  );
  return had;
}
