import { Injectable, signal } from '@angular/core';
import type { Segment } from '@pomek/core';

/** Segments that were copied; they can be put into any routine. */
@Injectable({ providedIn: 'root' })
export class RoutineClipboard {
  readonly segments = signal<readonly Segment[]>([]);
}
