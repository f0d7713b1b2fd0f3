import { Injectable, computed, signal, type Signal } from '@angular/core';

/** What can be taken back and done again, as the store gives it. */
export interface StepsOfStore {
  readonly undoLabel: Signal<string | null>;
  readonly redoLabel: Signal<string | null>;
  /** Whether something is being written at this moment. */
  readonly writing: Signal<boolean>;
  undo(): Promise<string | null>;
  redo(): Promise<string | null>;
}

/**
 * The steps that can be taken back, as the frame of the app sees them: there before the storage is opened, so that the first
 * page need not wait for it. The store takes its place here when it comes.
 */
@Injectable({ providedIn: 'root' })
export class Steps {
  private readonly store = signal<StepsOfStore | null>(null);
  private arrived: (store: StepsOfStore) => void = () => undefined;
  /** Who presses undo sooner waits for it. */
  private readonly arrival = new Promise<StepsOfStore>((resolve) => (this.arrived = resolve));

  readonly undoLabel = computed(() => this.store()?.undoLabel() ?? null);
  readonly redoLabel = computed(() => this.store()?.redoLabel() ?? null);
  readonly writing = computed(() => this.store()?.writing() ?? false);

  connect(store: StepsOfStore): void {
    this.store.set(store);
    this.arrived(store);
  }

  async undo(): Promise<string | null> {
    return (await this.arrival).undo();
  }

  async redo(): Promise<string | null> {
    return (await this.arrival).redo();
  }
}
