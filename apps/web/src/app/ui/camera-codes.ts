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
import { CameraStream } from './camera-stream';
import { codeIn } from './code-reader';
import { CountedPipe } from './counted.pipe';

/** So often the picture is looked at, ms. */
const LOOK_MS = 200;

/** What the camera sees, and the codes that are in it. Nothing of it is kept. */
@Component({
  selector: 'pk-camera-codes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CountedPipe],
  template: `
    @if (trouble() !== '') {
      <p class="wrong" role="alert">{{ trouble() }}</p>
    }
    <video #video muted playsinline aria-label="What the camera sees"></video>
    <div class="row">
      <span role="status" class="small num">{{ count() | pkCounted: 'code' }} read</span>
      <p-button label="Camera off" variant="text" size="small" (onClick)="closed.emit()" />
    </div>
  `,
  styles: `
    video {
      display: block;
      width: 100%;
      max-width: 24rem;
      background: var(--pk-sunk);
      border-radius: 4px;
    }
  `,
})
export class CameraCodes {
  readonly seen = output<string>();
  readonly closed = output();
  private readonly video = viewChild.required<ElementRef<HTMLVideoElement>>('video');
  protected readonly trouble = signal('');
  protected readonly count = signal(0);
  private readonly known = new Set<string>();
  private readonly stream = new CameraStream();
  private over = false;

  constructor() {
    afterNextRender(() => void this.begin());
    inject(DestroyRef).onDestroy(() => {
      this.over = true;
      this.stream.stop();
    });
  }

  private async begin(): Promise<void> {
    if (await this.stream.show(this.video().nativeElement)) await this.look();
    else if (!this.over)
      this.trouble.set('The camera cannot be used here. Choose a picture of the code, or paste the line.');
  }

  private async look(): Promise<void> {
    const video = this.video().nativeElement;
    while (!this.over) {
      if (video.videoWidth > 0) {
        const text = await codeIn(video, video.videoWidth, video.videoHeight);
        if (text !== null && !this.known.has(text)) {
          this.known.add(text);
          this.count.set(this.known.size);
          this.seen.emit(text);
        }
      }
      await new Promise((next) => setTimeout(next, LOOK_MS));
    }
  }
}
