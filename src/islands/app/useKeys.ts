import { useLayoutEffect, useRef, useSyncExternalStore } from 'react';
import { stored } from './stored';

export type KeyMap = Readonly<Record<string, (event: KeyboardEvent) => void>>;

const CHANGED = 'antler-single-keys';
const off = stored<true>('single-keys-off');
const areOn = (): boolean => off.read() === undefined;

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
      off.write(now ? undefined : true);
      dispatchEvent(new Event(CHANGED));
    },
  ];
}

/** Whether a key pressed here is meant for a field, not for the screen. */
const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

const isSingle = ({ key, ctrlKey, metaKey }: KeyboardEvent): boolean =>
  key.length === 1 && key !== ' ' && !ctrlKey && !metaKey;

/** Calls for each key that is pressed for the screen: no field has the focus, and single keys are not turned off. */
export function useScreenKey(pressed: (event: KeyboardEvent) => void): void {
  const latest = useRef(pressed);
  // With the picture, not after it: a key is never taken for what was shown before.
  useLayoutEffect(() => {
    latest.current = pressed;
  });
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.defaultPrevented || event.altKey || isTyping(event.target)) return;
      if (!isSingle(event) || areOn()) latest.current(event);
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, []);
}

/** Does what each key stands for. Space on a button or link is left to it. */
export function useKeys(map: KeyMap): void {
  useScreenKey((event) => {
    const name = (event.ctrlKey || event.metaKey ? 'Mod+' : '') + event.key;
    const isPress = event.key === ' ' || event.key === 'Enter';
    if (isPress && event.target instanceof HTMLElement && event.target.closest('button, a, summary')) return;
    const action = map[name];
    if (!action) return;
    event.preventDefault();
    action(event);
  });
}
