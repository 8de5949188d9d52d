import { useLayoutEffect, useRef } from 'react';
import { stored } from './stored';

export type KeyMap = Readonly<Record<string, (event: KeyboardEvent) => void>>;

/** A key and what it does on this screen. */
export type KeyHelp = readonly (readonly [key: string, does: string])[];

/** Kept where single keys do nothing. */
export const singleKeysOff = stored<true>('single-keys-off');
/** Whether one letter, digit or sign alone does something on the screen. */
export const areOn = (): boolean => singleKeysOff.read() === undefined;

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

/**
 * Does what each key stands for. Space on a button or link is left to it, if it was come to by keys: where space is the screen's
 * own, a button that was pressed by hand lets go of it, so that the pedal does not press it once more.
 */
export function useKeys(map: KeyMap): void {
  const isPedalled = ' ' in map;
  useLayoutEffect(() => {
    if (!isPedalled) return;
    const onClick = ({ detail }: MouseEvent): void => {
      const on = document.activeElement;
      if (detail > 0 && on instanceof HTMLButtonElement) on.blur();
    };
    addEventListener('click', onClick);
    return () => removeEventListener('click', onClick);
  }, [isPedalled]);
  useScreenKey((event) => {
    const name = (event.ctrlKey || event.metaKey ? 'Mod+' : '') + event.key;
    const isPress = event.key === ' ' || event.key === 'Enter';
    if (isPress && event.target instanceof HTMLElement && event.target.closest('button, a, summary')) return;
    const action = map[name];
    if (!action) return;
    event.preventDefault();
    // One that is held down repeats itself: it is one press, but of what undoes.
    if (!event.repeat || name.startsWith('Mod+')) action(event);
  });
}
