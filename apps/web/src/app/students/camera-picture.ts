import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  afterNextRender,
  inject,
  output,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { Button } from 'primeng/button';
import { CameraStream } from '../ui/camera-stream';
import { takenPicture, type TakenPicture } from '../ui/taken-picture';

/** Time to go and stand where one wants to be, s. */
const WAIT = 8;

/** What the camera sees, and a picture of it: at once, or after some seconds. */
@Component({
  selector: 'pk-camera-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    @if (trouble() !== '') {
      <p class="wrong" role="alert">{{ trouble() }}</p>
    }
    <video #video muted playsinline aria-label="What the camera sees"></video>
    <div class="row">
      <p-button label="Take the picture" icon="pi pi-camera" size="small" [disabled]="!seeing()" (onClick)="take()" />
      <p-button
        [label]="'In ' + wait + ' seconds'"
        variant="outlined"
        size="small"
        [disabled]="!seeing() || left() !== null"
        (onClick)="takeLater()"
      />
      <p-button label="Camera off" variant="text" size="small" (onClick)="closed.emit()" />
      @if (left(); as seconds) {
        <span role="status" class="num">{{ seconds }}</span>
      }
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    video {
      display: block;
      max-width: 100%;
      max-height: 24rem;
      background: var(--pk-sunk);
      border-radius: 4px;
    }
  `,
})
export class CameraPicture {
  readonly taken = output<TakenPicture>();
  readonly closed = output();
  private readonly video = viewChild.required<ElementRef<HTMLVideoElement>>('video');
  private readonly stream = new CameraStream();
  protected readonly wait = WAIT;
  protected readonly trouble = signal('');
  protected readonly seeing = signal(false);
  /** Seconds until it is taken; null where none is waited for. */
  protected readonly left = signal<number | null>(null);
  private timer: ReturnType<typeof setInterval> | undefined;

  constructor() {
    afterNextRender(() => void this.begin());
    inject(DestroyRef).onDestroy(() => {
      clearInterval(this.timer);
      this.stream.stop();
    });
  }

  private async begin(): Promise<void> {
    if (await this.stream.show(this.video().nativeElement)) this.seeing.set(true);
    else this.trouble.set('The camera cannot be used here. Choose a picture or a film instead.');
  }

  protected take(): void {
    const video = this.video().nativeElement;
    try {
      this.taken.emit(takenPicture(video, video.videoWidth, video.videoHeight));
    } catch (error) {
      this.trouble.set(error instanceof Error ? error.message : String(error));
    }
  }

  protected takeLater(): void {
    this.left.set(WAIT);
    this.timer = setInterval(() => {
      const left = (this.left() ?? 1) - 1;
      if (left > 0) return this.left.set(left);
      clearInterval(this.timer);
      this.left.set(null);
      this.take();
    }, 1000);
  }
}
