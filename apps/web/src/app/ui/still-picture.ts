import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { map, switchMap } from 'rxjs';
import { drawnLines, filmFromWords, type Marks, type Still } from '@pomek/core';
import { Repository } from '../data/repository';

/** A still with the lines that are marked on it, small. */
@Component({
  selector: 'pk-still',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let it = still();
    <svg [attr.viewBox]="'0 0 ' + it.width + ' ' + it.height" role="img" [attr.aria-label]="text()">
      <rect class="ground" [attr.width]="it.width" [attr.height]="it.height" />
      @if (shown(); as data) {
        <image [attr.href]="data" [attr.width]="it.width" [attr.height]="it.height" />
      }
      @for (line of lines(); track $index) {
        <line
          [attr.class]="line.side"
          [attr.x1]="line.from.x"
          [attr.y1]="line.from.y"
          [attr.x2]="line.to.x"
          [attr.y2]="line.to.y"
        />
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      width: 100%;
      height: 100%;
    }
    .ground {
      fill: var(--pk-sunk);
    }
    line {
      stroke: #fff;
      stroke-width: 0.7%;
      stroke-linecap: round;
    }
    .left {
      stroke: var(--pk-on-film-left);
      stroke-dasharray: 2.4% 1.2%;
    }
    .right {
      stroke: var(--pk-on-film-right);
    }
  `,
})
export class StillPicture {
  private readonly repository = inject(Repository);
  readonly still = input.required<Still>();
  protected readonly picture = toSignal(
    toObservable(this.still).pipe(
      map(({ id }) => id),
      switchMap((id) => this.repository.one('pictures', id)),
      map((picture) => picture?.data ?? null),
    ),
    { initialValue: null },
  );
  /** What is shown in its place: a frame of its film, with the points that are believed there. */
  readonly frame = input<{ readonly picture: string | null; readonly marks: Marks; readonly said: string } | null>(
    null,
  );
  protected readonly shown = computed(() => {
    const frame = this.frame();
    return frame === null ? this.picture() : frame.picture;
  });
  protected readonly lines = computed(() => drawnLines(this.still().from, this.frame()?.marks ?? this.still().marks));
  protected readonly text = computed(() => {
    const frame = this.frame();
    if (frame !== null) return frame.said;
    const { name, from } = this.still();
    return `${name}, seen ${filmFromWords(from)}`;
  });
}
