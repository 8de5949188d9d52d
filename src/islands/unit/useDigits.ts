import { useLayoutEffect, type RefObject } from 'react';

/** Digits go to the reading wherever the focus is. */
export function useDigits(field: RefObject<HTMLInputElement | null>): void {
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (
        /^[\d.]$/.test(event.key) &&
        !event.ctrlKey &&
        !event.metaKey &&
        document.activeElement !== field.current
      )
        field.current?.focus();
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, [field]);
}
