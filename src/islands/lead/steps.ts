/** How many changes can be taken back. */
const MOST = 50;

/** What was changed here, step by step: taken back and made again, also after the page was loaded anew in this window. */
export interface Steps<T> {
  /** What is remembered as it was before a change; what was taken back before is forgotten. */
  readonly push: (before: T) => void;
  /** The step before, where there is one; `now` can be come back to. */
  readonly back: (now: T) => T | undefined;
  /** The step that was taken back last, where one was. */
  readonly on: (now: T) => T | undefined;
  readonly count: () => { readonly back: number; readonly on: number };
}

interface Kept<T> {
  readonly past: readonly T[];
  readonly future: readonly T[];
}

/** The steps of one thing in this window. They last as long as the window: where the browser keeps nothing, as long as the page. */
export function stepsOf<T>(about: string): Steps<T> {
  const key = `antler.steps.${about}`;
  let kept: Kept<T> = { past: [], future: [] };
  try {
    kept = (JSON.parse(sessionStorage.getItem(key) ?? 'null') as Kept<T> | null) ?? kept;
  } catch {
    // None are known.
  }
  const keep = (next: Kept<T>): void => {
    kept = next;
    try {
      sessionStorage.setItem(key, JSON.stringify(kept));
    } catch {
      // They are there for as long as the page is.
    }
  };
  return {
    push: (before) => keep({ past: [...kept.past, before].slice(-MOST), future: [] }),
    back(now) {
      const before = kept.past.at(-1);
      if (before !== undefined) keep({ past: kept.past.slice(0, -1), future: [...kept.future, now] });
      return before;
    },
    on(now) {
      const after = kept.future.at(-1);
      if (after !== undefined) keep({ past: [...kept.past, now], future: kept.future.slice(0, -1) });
      return after;
    },
    count: () => ({ back: kept.past.length, on: kept.future.length }),
  };
}
