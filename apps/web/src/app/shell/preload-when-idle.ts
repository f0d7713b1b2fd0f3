import { Injectable } from '@angular/core';
import type { PreloadingStrategy, Route } from '@angular/router';
import { firstValueFrom, from, ReplaySubject, type Observable } from 'rxjs';

/** Where the browser does not say when it is idle, ms. */
const MEANWHILE_MS = 1000;
/** The place that is open, and its data, come before anything else, ms. */
const DAY_FIRST_MS = 1500;

const after = (milliseconds: number): Promise<void> => new Promise((done) => setTimeout(done, milliseconds));

const idle = (): Promise<void> =>
  typeof requestIdleCallback === 'function'
    ? new Promise((done) => requestIdleCallback(() => done()))
    : after(MEANWHILE_MS);

/** Brings the other views one after the other while nothing else is to be done, so that each opens at once. */
@Injectable({ providedIn: 'root' })
export class PreloadWhenIdle implements PreloadingStrategy {
  private turn: Promise<unknown> = after(DAY_FIRST_MS);
  private readonly asked = new ReplaySubject<void>(1);

  /** Ends when every view is there, or could not be had; never before the first was asked for. */
  async whole(): Promise<void> {
    await firstValueFrom(this.asked);
    for (let last: unknown = null; last !== this.turn;) {
      last = this.turn;
      await last;
    }
  }

  preload(_route: Route, load: () => Observable<unknown>): Observable<unknown> {
    this.asked.next();
    // What does not come now is asked for again when its view is opened, which then says what is wrong.
    this.turn = this.turn
      .then(idle)
      .then(() => firstValueFrom(load()))
      .catch(() => undefined);
    return from(this.turn);
  }
}
