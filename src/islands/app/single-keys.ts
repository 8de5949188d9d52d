import { useSyncExternalStore } from 'react';
import { areOn, singleKeysOff } from './useKeys';

const CHANGED = 'antler-single-keys';

/**
 * Whether one letter, digit or sign alone does something on the screen, and how that is changed: whoever speaks to the
 * machine, or rests a hand on the keys, turns it off (WCAG 2.2, 2.1.4). Kept in this browser.
 */
export function useSingleKeys(): readonly [boolean, (on: boolean) => void] {
  const on = useSyncExternalStore(
    (changed) => {
      addEventListener(CHANGED, changed);
      return () => removeEventListener(CHANGED, changed);
    },
    areOn,
    () => true,
  );
  return [
    on,
    (now) => {
      singleKeysOff.write(now ? undefined : true);
      dispatchEvent(new Event(CHANGED));
    },
  ];
}
