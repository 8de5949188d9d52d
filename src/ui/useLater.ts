import { useEffect, useState } from 'react';

/** The page is taken over first, ms. */
const AFTER_MS = 250;
/** Where it could not be had it is waited so long, ms. */
const AGAIN_MS = 2_000;

/** What is here already, by what fetches it. */
const here = new WeakMap<object, unknown>();

/**
 * What is of no use before the page is there: fetched a moment after it, once it is wanted; undefined until then, and as long as
 * the server is away. What was fetched once is there at once. `load` is the same at every call.
 */
export function useLater<T>(load: () => Promise<T>, wanted = true, afterMs = AFTER_MS): T | undefined {
  const [found, setFound] = useState(() => here.get(load) as T | undefined);
  useEffect(() => {
    if (!wanted || found !== undefined) return;
    let isHere = true;
    let timer: ReturnType<typeof setTimeout>;
    const fetchIt = (): void =>
      void load()
        .then((is) => {
          here.set(load, is);
          if (isHere) setFound(() => is);
        })
        .catch(() => {
          // The server is away: it is asked for again until it is back.
          if (isHere) timer = setTimeout(fetchIt, AGAIN_MS);
        });
    timer = setTimeout(fetchIt, afterMs);
    return () => {
      isHere = false;
      clearTimeout(timer);
    };
  }, [load, wanted, found, afterMs]);
  return found;
}
