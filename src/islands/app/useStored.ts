import { useLayoutEffect, useState } from 'react';
import { stored } from './stored';

/**
 * What this browser keeps under a name, and keeping it. It is read once the page has been taken over: the server, which draws
 * it first, does not know it.
 */
export function useStored<T>(
  name: string,
  otherwise: T,
): readonly [value: T, keep: (change: (now: T) => T) => void] {
  const [value, setValue] = useState(otherwise);
  useLayoutEffect(() => {
    const kept = stored<T>(name).read();
    // eslint-disable-next-line react-hooks/set-state-in-effect -- read once, before anything is seen
    if (kept !== undefined) setValue(kept);
  }, [name]);
  return [
    value,
    (change) =>
      setValue((now) => {
        const next = change(now);
        stored<T>(name).write(next);
        return next;
      }),
  ];
}
