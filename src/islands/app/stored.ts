/** A value kept in this browser under a name: what was typed and not yet acknowledged. */
export interface Stored<T> {
  readonly read: () => T | undefined;
  readonly write: (value: T | undefined) => void;
}

export function stored<T>(name: string): Stored<T> {
  const key = `antler.${name}`;
  return {
    read() {
      try {
        const text = localStorage.getItem(key);
        return text === null ? undefined : (JSON.parse(text) as T);
      } catch {
        return undefined;
      }
    },
    write(value) {
      if (value === undefined) localStorage.removeItem(key);
      else localStorage.setItem(key, JSON.stringify(value));
    },
  };
}
