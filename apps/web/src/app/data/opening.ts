import { Injectable, signal } from '@angular/core';

/** At the latest so long after the frame stands, what it holds is asked for, ms. */
const LATEST_MS = 200;

/** How the app opens: the frame first, then the storage and what the page holds. */
@Injectable({ providedIn: 'root' })
export class Opening {
  /** The space is being filled, so that nothing is shown half. */
  readonly busy = signal(false);
  /** Which share of it is done; null where that is not known. */
  readonly share = signal<number | null>(null);
  /** The frame has been painted. */
  readonly painted = signal(false);

  /** To be called when the frame stands. */
  stands(then: () => void): void {
    const go = (): void => {
      this.painted.set(true);
      then();
    };
    // A page that is not looked at paints nothing.
    const latest = setTimeout(go, LATEST_MS);
    requestAnimationFrame(() => {
      clearTimeout(latest);
      setTimeout(go);
    });
  }
}
