/** A browser's storage, as far as our pages need it. */
export class Storage {
  readonly kept = new Map<string, string>();
  get length(): number {
    return this.kept.size;
  }
  key = (n: number): string | null => [...this.kept.keys()][n] ?? null;
  getItem = (key: string): string | null => this.kept.get(key) ?? null;
  setItem = (key: string, value: string): void => void this.kept.set(key, value);
  removeItem = (key: string): void => void this.kept.delete(key);
}
