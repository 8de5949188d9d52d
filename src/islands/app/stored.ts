/** A value kept in this browser under a name, at once. */
export interface Stored<T> {
  readonly name: string;
  readonly read: () => T | undefined;
  /** Keeps it, or lets it go; false where the browser could not keep it. */
  readonly write: (value: T | undefined) => boolean;
}

const PREFIX = 'antler.';

/** What is kept under a name. */
export function stored<T>(name: string): Stored<T> {
  const key = `${PREFIX}${name}`;
  return {
    name,
    read() {
      try {
        const text = localStorage.getItem(key);
        return text === null ? undefined : (JSON.parse(text) as T);
      } catch {
        return undefined;
      }
    },
    write(value) {
      try {
        if (value === undefined) localStorage.removeItem(key);
        else localStorage.setItem(key, JSON.stringify(value));
        return true;
      } catch {
        return false;
      }
    },
  };
}

/** The names under which something is kept that begin like this. */
export function storedNames(begins: string): readonly string[] {
  try {
    return Array.from({ length: localStorage.length }, (_, n) => localStorage.key(n) ?? '')
      .filter((key) => key.startsWith(`${PREFIX}${begins}`))
      .map((key) => key.slice(PREFIX.length));
  } catch {
    return [];
  }
}
