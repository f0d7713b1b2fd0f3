const texts = new WeakMap<object, string>();

/** A record as text by which it is known again, made once of each: records are never changed in place. */
export function keyOf(record: object): string {
  const before = texts.get(record);
  if (before !== undefined) return before;
  const text = JSON.stringify(record);
  texts.set(record, text);
  return text;
}

/**
 * What was worked out, by key; once so many are remembered it begins again.
 * @param most how many
 */
export class Remembered<T> {
  private readonly known = new Map<string, T>();

  constructor(private readonly most: number) {}

  /** What is known of a key, or what it comes to now. */
  get(key: string, make: () => T): T {
    const before = this.known.get(key);
    if (before !== undefined) return before;
    const made = make();
    if (this.known.size >= this.most) this.known.clear();
    this.known.set(key, made);
    return made;
  }
}
