import { useLayoutEffect, useRef } from 'react';
import { isTyping } from './Frame';

export type KeyMap = Readonly<Record<string, () => void>>;

/** Calls for keys pressed while no field has the focus. Space on a button or link is left to it. */
export function useKeys(map: KeyMap): void {
  const latest = useRef(map);
  // With the picture, not after it: a key is never taken for what was shown before.
  useLayoutEffect(() => {
    latest.current = map;
  });
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.defaultPrevented || event.altKey || isTyping(event.target)) return;
      const name = (event.ctrlKey || event.metaKey ? 'Mod+' : '') + event.key;
      if (
        (event.key === ' ' || event.key === 'Enter') &&
        event.target instanceof HTMLElement &&
        event.target.closest('button, a, summary')
      )
        return;
      const action = latest.current[name];
      if (!action) return;
      event.preventDefault();
      action();
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, []);
}
