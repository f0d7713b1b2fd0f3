import { ChangeDetectionStrategy, Component, DestroyRef, inject, input, signal } from '@angular/core';
import { Button } from 'primeng/button';
import type { Subscription } from 'rxjs';
import type { Exercise, School, Track } from '@pomek/core';
import { Compute } from '../compute/compute';
import { Notices } from '../data/notices';
import { download, fileName } from './download';

/** What a cue track is made from. */
export interface Tracked {
  /** Of the file. */
  readonly name: string;
  readonly tracks: readonly Track[];
  readonly exercises: readonly Exercise[];
  readonly school: School;
  /** Checkpoints that the student is being corrected for. */
  readonly inWork: readonly string[];
}

/** Makes the cue track in the worker: bells and counts as sound, the words beside it. */
@Component({
  selector: 'pk-cue-track',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    @if (share() === null) {
      <p-button
        [label]="label()"
        icon="pi pi-volume-up"
        variant="outlined"
        [disabled]="disabled()"
        (onClick)="make()"
      />
    } @else {
      <label class="row small">
        Making the track
        <progress [value]="share()" max="1"></progress>
      </label>
      <p-button label="Stop" size="small" variant="text" (onClick)="stop()" />
    }
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 0.75rem;
    }
  `,
})
export class CueTrackButton {
  private readonly compute = inject(Compute);
  private readonly notices = inject(Notices);
  /** Gives what the track is made from, when it is asked for; throws what stands against it. */
  readonly from = input.required<() => Tracked>();
  readonly label = input('Cue track');
  readonly disabled = input(false);
  protected readonly share = signal<number | null>(null);
  private making: Subscription | null = null;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.making?.unsubscribe());
  }

  protected make(): void {
    try {
      const { name, tracks, exercises, school, inWork } = this.from()();
      this.share.set(0);
      const input = { tracks: [...tracks], drills: [...exercises], school, inWork: [...inWork] };
      this.making = this.compute.steps('cue-tracks', input).subscribe({
        next: (step) => {
          if (step.kind === 'progress') this.share.set(step.share);
          else if (step.kind === 'result') this.done(name, step.result.file);
        },
        error: (error: unknown) => this.failed(error),
      });
    } catch (error) {
      this.failed(error);
    }
  }

  protected stop(): void {
    this.making?.unsubscribe();
    this.share.set(null);
  }

  private done(name: string, file: Blob): void {
    this.share.set(null);
    download(`${fileName(name)}.zip`, file, 'application/zip');
    this.notices.done('Cue track made', { detail: 'Sound (WAV) and words (WebVTT) lie together in the ZIP file.' });
  }

  private failed(error: unknown): void {
    this.share.set(null);
    this.notices.failure('No cue track yet', error);
  }
}
