/** Small things that the browser remembers beside the records. Where it denies that, or has no room, they last as long as the page. */
export class SmallStorage {
  private readonly memory = new Map<string, string>();

  /** @param browser gives the storage; throws where it is denied */
  constructor(private readonly browser: () => Storage) {}

  getItem(key: string): string | null {
    return this.memory.get(key) ?? this.storage()?.getItem(key) ?? null;
  }

  /** False where it lasts only as long as the page. */
  setItem(key: string, value: string): boolean {
    try {
      this.browser().setItem(key, value);
      this.memory.delete(key);
      return true;
    } catch {
      this.memory.set(key, value);
      return false;
    }
  }

  removeItem(key: string): void {
    this.memory.delete(key);
    this.storage()?.removeItem(key);
  }

  keys(): string[] {
    return [...new Set([...Object.keys(this.storage() ?? {}), ...this.memory.keys()])];
  }

  private storage(): Storage | null {
    try {
      return this.browser();
    } catch {
      return null;
    }
  }
}

/** What outlives this tab. */
export const local = new SmallStorage(() => localStorage);
/** What belongs to this tab. */
export const session = new SmallStorage(() => sessionStorage);
