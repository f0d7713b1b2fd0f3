import { Injectable, signal } from '@angular/core';
import { Ringer } from '@pomek/device';

/** The bells of the hall, and whether they are heard. */
@Injectable({ providedIn: 'root' })
export class BellRinger extends Ringer {
  readonly muted;

  constructor() {
    const muted = signal(false);
    super(muted);
    this.muted = muted;
  }
}
