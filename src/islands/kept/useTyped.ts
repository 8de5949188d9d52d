import { useState } from 'react';
import { draft } from './drafts';
import { useAdopted } from './useAdopted';

/**
 * What is typed in a field and not sent yet: kept as it is typed, there again after a reload, a crash, or in the next window.
 * `about` names the field and what it belongs to.
 */
export function useTyped(about: string): readonly [string, (text: string) => void] {
  const [kept] = useState(() => draft<string>(about));
  const [text, setText] = useState('');
  useAdopted(kept, (left) => setText((now) => (now === '' ? left : now)));
  const type = (next: string): void => {
    kept.write(next === '' ? undefined : next);
    setText(next);
  };
  return [text, type];
}
