import { Injectable, signal } from '@angular/core';
import { formatISO } from 'date-fns';

/** The one place from which the app takes the time and new ids. */
@Injectable({ providedIn: 'root' })
export class Clock {
  private readonly day = signal(this.dayNow());

  /** Today as YYYY-MM-DD; changes at midnight while the app stays open. */
  readonly today = this.day.asReadonly();

  constructor() {
    setInterval(() => this.day.set(this.dayNow()), 30_000);
  }

  now(): Date {
    return new Date();
  }

  dayOf(moment: Date): string {
    return formatISO(moment, { representation: 'date' });
  }

  newId(): string {
    return crypto.randomUUID();
  }

  private dayNow(): string {
    return this.dayOf(new Date());
  }
}
