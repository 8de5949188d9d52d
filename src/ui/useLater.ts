import { useEffect, useState } from 'react';

/** The page is taken over first, ms. */
const AFTER_MS = 250;

/**
 * What is of no use before the page is there: fetched a moment after it, once it is wanted; undefined until then, and where
 * the server is away. `load` is the same at every call.
 */
export function useLater<T>(load: () => Promise<T>, wanted = true): T | undefined {
  const [found, setFound] = useState<{ readonly is: T }>();
  useEffect(() => {
    if (!wanted) return;
    let isHere = true;
    const timer = setTimeout(
      () =>
        void load()
          .then((is) => isHere && setFound({ is }))
          .catch(() => undefined),
      AFTER_MS,
    );
    return () => {
      isHere = false;
      clearTimeout(timer);
    };
  }, [load, wanted]);
  return found?.is;
}
