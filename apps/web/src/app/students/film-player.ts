import {
  ChangeDetectionStrategy,
  Component,
  effect,
  input,
  output,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { Button } from 'primeng/button';
import { FilmRun } from '../ui/film-run';
import { takenPicture, type TakenPicture } from '../ui/taken-picture';

/** A step of one frame, where the film does not say how long one is, s. */
const FRAME = 1 / 30;

/** Beyond the end of any film, s. */
const FAR = 1e7;

/** A film of a file, looked through slowly; a moment of it becomes a picture. The film itself is not copied. */
@Component({
  selector: 'pk-film-player',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FilmRun],
  template: `
    @if (trouble() !== '') {
      <p class="wrong" role="alert">{{ trouble() }} Nothing was saved.</p>
    }
    <video
      #video
      muted
      playsinline
      preload="auto"
      [hidden]="trouble() !== ''"
      [attr.src]="address()"
      [attr.aria-label]="'The film ' + file().name"
      (loadedmetadata)="known()"
      (durationchange)="known()"
      (timeupdate)="at.set(element().currentTime)"
      (seeked)="at.set(element().currentTime)"
      (play)="running.set(true)"
      (pause)="running.set(false)"
      (error)="failed()"
    ></video>
    @if (length() > 0) {
      <pk-film-run
        [running]="running()"
        [ready]="true"
        [at]="at()"
        [to]="length()"
        [said]="at().toFixed(2) + ' s of ' + length().toFixed(2) + ' s'"
        [(speed)]="speed"
        (toggled)="toggle()"
        (stepped)="step($event)"
        (sought)="go($event)"
      />
    }
    <div class="row">
      <p-button
        label="Take this moment"
        icon="pi pi-check"
        size="small"
        [disabled]="length() === 0"
        (onClick)="take()"
      />
      <p-button label="Close the film" variant="text" size="small" (onClick)="closed.emit()" />
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    video[hidden] {
      display: none;
    }
    video {
      display: block;
      max-width: 100%;
      max-height: 26rem;
      background: var(--pk-sunk);
      border-radius: 4px;
    }
    pk-film-run {
      max-width: 44rem;
    }
  `,
})
export class FilmPlayer {
  readonly file = input.required<File>();
  readonly taken = output<TakenPicture>();
  readonly closed = output();
  private readonly video = viewChild.required<ElementRef<HTMLVideoElement>>('video');

  protected readonly speed = signal(0.25);
  protected readonly at = signal(0);
  protected readonly length = signal(0);
  protected readonly running = signal(false);
  protected readonly trouble = signal('');
  protected readonly address = signal<string | null>(null);

  constructor() {
    effect(() => {
      const speed = this.speed();
      this.element().playbackRate = speed;
    });
    effect((over) => {
      const address = URL.createObjectURL(this.file());
      this.address.set(address);
      this.trouble.set('');
      this.length.set(0);
      this.at.set(0);
      over(() => URL.revokeObjectURL(address));
    });
  }

  protected element(): HTMLVideoElement {
    return this.video().nativeElement;
  }

  protected known(): void {
    const { videoWidth, duration } = this.element();
    // While one film makes way for another there is none.
    if (Number.isNaN(duration)) return;
    if (videoWidth === 0) {
      this.trouble.set(`${this.file().name} has sound but no picture that this browser can show.`);
      return;
    }
    this.element().playbackRate = this.speed();
    if (Number.isFinite(duration)) {
      if (this.length() === 0) this.go(0);
      this.length.set(duration);
      // A film that a browser has recorded may not say how long it is before one has been at its end.
    } else this.element().currentTime = FAR;
  }

  protected failed(): void {
    this.length.set(0);
    const { name, size } = this.file();
    if (size === 0) this.trouble.set(`${name} is empty.`);
    else if (this.element().error?.code === MediaError.MEDIA_ERR_DECODE)
      this.trouble.set(`${name} is damaged: it cannot be shown from here on.`);
    else
      this.trouble.set(
        `${name} is no film that this browser can show: it is damaged, or packed in a way it does not know. Save it as MP4 or WebM, or take a picture of the moment.`,
      );
  }

  protected go(seconds: number): void {
    const video = this.element();
    video.pause();
    video.currentTime = Math.max(0, Math.min(this.length(), seconds));
  }

  protected step(frames: 1 | -1): void {
    this.go(this.element().currentTime + frames * FRAME);
  }

  protected toggle(): void {
    const video = this.element();
    if (video.paused) void video.play().catch(() => undefined);
    else video.pause();
  }

  protected take(): void {
    const video = this.element();
    video.pause();
    try {
      this.taken.emit(takenPicture(video, video.videoWidth, video.videoHeight, video.currentTime));
    } catch (error) {
      this.trouble.set(error instanceof Error ? error.message : String(error));
    }
  }
}
