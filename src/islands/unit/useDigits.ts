import type { RefObject } from 'react';
import { useScreenKey } from '../app';

/** Digits go to the reading wherever the focus is. */
export function useDigits(field: RefObject<HTMLInputElement | null>): void {
  useScreenKey(({ key, ctrlKey, metaKey }) => {
    if (/^[\d.]$/.test(key) && !ctrlKey && !metaKey) field.current?.focus();
  });
}
