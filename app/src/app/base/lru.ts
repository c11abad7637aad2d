/** A map that forgets what has not been asked for longest. */
export class Lru<Key, Value> {
  private readonly entries = new Map<Key, Value>();

  constructor(private readonly capacity: number) {}

  /** What is kept under a key, which is then the latest asked for. */
  get(key: Key): Value | undefined {
    const value = this.entries.get(key);
    if (value === undefined) return undefined;
    this.entries.delete(key);
    this.entries.set(key, value);
    return value;
  }

  set(key: Key, value: Value): void {
    this.entries.delete(key);
    this.entries.set(key, value);
    const oldest = this.entries.keys().next();
    if (this.entries.size > this.capacity && oldest.done !== true) this.entries.delete(oldest.value);
  }

  clear(): void {
    this.entries.clear();
  }
}
