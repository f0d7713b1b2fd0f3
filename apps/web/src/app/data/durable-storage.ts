import { Injectable, effect, inject, signal } from '@angular/core';
import { dayNumber } from '@pomek/core';
import { Clock } from './clock';
import { LastChange } from './last-change';
import { remembered } from './remembered';
import { dayIn } from './remembered-days';
import { SPACE } from './space';

/** A browser that has not agreed is asked again after so many days: some agree once a page is used often. */
const ASK_AGAIN = 7;

/**
 * Whether the browser keeps what is stored until it is removed, or may clear it where room is short. It is asked when there is
 * something to be kept.
 */
@Injectable({ providedIn: 'root' })
export class DurableStorage {
  private readonly clock = inject(Clock);
  private readonly asked = remembered('asked-to-keep-on');
  private readonly storage = (navigator as { storage?: StorageManager }).storage;
  private readonly answer = signal<boolean | null>(null);
  /** Null where the browser does not say. */
  readonly kept = this.answer.asReadonly();

  constructor() {
    const [change, space] = [inject(LastChange), inject(SPACE)];
    void this.look();
    effect(() => {
      if (space === 'own' && change.at() !== null && this.kept() === false && this.isTime()) void this.ask();
    });
  }

  /** Asks the browser to keep what is stored. Never rejects. */
  async ask(): Promise<void> {
    this.asked.set(this.clock.today());
    this.answer.set((await this.storage?.persist().catch(() => false)) ?? null);
  }

  private async look(): Promise<void> {
    this.answer.set((await this.storage?.persisted().catch(() => false)) ?? null);
  }

  private isTime(): boolean {
    const asked = dayIn(this.asked.value());
    return asked === null || Math.abs(dayNumber(this.clock.today()) - dayNumber(asked)) >= ASK_AGAIN;
  }
}
