import { startTransition, useEffect, useState } from 'react';

/** The page is taken over first, ms. */
const AFTER_MS = 250;
/** Where it could not be had it is waited so long, ms. */
const AGAIN_MS = 2_000;
/** For so long after the page came its server need not be asked whether it is there, ms. */
const FRESH_MS = 10_000;

/** What is here already, by what fetches it. */
const here = new WeakMap<object, unknown>();
/** What could not be fetched though the server was there. */
const missing = new Set<object>();
const MISSING = 'antler-missing';
const tell = (): unknown => dispatchEvent(new Event(MISSING));

/** Whether something of this page could not be fetched, and is not to be had before it is loaded again. */
export const isMissing = (): boolean => missing.size > 0;
/** Tells when that changes. */
export function onMissing(changed: () => void): () => void {
  addEventListener(MISSING, changed);
  return () => removeEventListener(MISSING, changed);
}

/** Whether the server answers: a script that could not be had once is not fetched again by a browser, so it is asked for only then. */
const isThere = async (): Promise<boolean> =>
  performance.now() < FRESH_MS ||
  fetch('/favicon.svg', { method: 'HEAD', cache: 'no-store' }).then(
    ({ ok }) => ok,
    () => false,
  );

/** What cannot do without: as long as the server is away it is waited for. Undefined where nobody wants it any more. */
async function untilHad<T>(load: () => Promise<T>, isWanted: () => boolean): Promise<T | undefined> {
  for (; isWanted(); await new Promise((resolve) => setTimeout(resolve, AGAIN_MS)))
    try {
      if (!(await isThere())) continue;
      const is = await load();
      here.set(load, is);
      if (missing.delete(load)) tell();
      return is;
    } catch {
      missing.add(load);
      tell();
    }
  return undefined;
}

/** A script that is waited for until it is there. `load` is the same at every call. */
export const patiently = <T>(load: () => Promise<T>): Promise<T> => untilHad(load, () => true) as Promise<T>;

/**
 * What is of no use before the page is there: fetched a moment after it, once it is wanted; undefined until then, and as long as
 * the server is away. What was fetched once is there at once. `load` is the same at every call.
 */
export function useLater<T>(load: () => Promise<T>, wanted = true, afterMs = AFTER_MS): T | undefined {
  const [found, setFound] = useState(() => here.get(load) as T | undefined);
  useEffect(() => {
    if (!wanted || found !== undefined) return;
    let isHere = true;
    const timer = setTimeout(
      () => void untilHad(load, () => isHere).then((is) => startTransition(() => setFound(() => is))),
      afterMs,
    );
    return () => {
      isHere = false;
      clearTimeout(timer);
    };
  }, [load, wanted, found, afterMs]);
  return found;
}
