/**
 * Keeps what was worked out last, by all that it hangs on, `most` of it: asked for again it is there, asked for at once it is worked
 * out once. What failed is worked out anew.
 */
export function remembered<Value>(most: number): (key: string, make: () => Promise<Value>) => Promise<Value> {
  const known = new Map<string, Promise<Value>>();
  return (key, make) => {
    const value = known.get(key) ?? make();
    known.delete(key);
    known.set(key, value);
    value.catch(() => known.delete(key));
    const [oldest] = known.keys();
    if (known.size > most && oldest !== undefined) known.delete(oldest);
    return value;
  };
}
