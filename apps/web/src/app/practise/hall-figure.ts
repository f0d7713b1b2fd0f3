import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import {
  flippedSide,
  shownDrill,
  shownPose,
  type Body,
  type Checkpoint,
  type Direction,
  type Exercise,
  type ExerciseSegment,
  type School,
  type Side,
} from '@pomek/core';
import { Figure, type Pin } from '../ui/figure';

/** How the students see who shows it. */
export const seenAs = ['mirror', 'facing', 'behind'] as const;
export type SeenAs = (typeof seenAs)[number];

/** Where one is in what is shown. */
export interface Doing {
  readonly side: Side;
  readonly direction: Direction;
  /** Whole repetitions gone before, how far the one that is on is, 0–1, and its length, ms. */
  readonly done: number;
  readonly into: number;
  readonly lengthMs: number;
  /** Into the span, s. */
  readonly seconds: number;
  /** It goes on by itself; else it stands still. */
  readonly running: boolean;
}

/** The exercise being done: the figure goes with the practice, on its side, as the students see the teacher. */
@Component({
  selector: 'pk-hall-figure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Figure],
  template: `
    <pk-figure
      [pose]="pose()"
      [view]="view()"
      [pxPerMetre]="220"
      [highest]="shown().highest"
      [pins]="pins()"
      [belly]="belly()"
      [selected]="point()?.id ?? null"
      (pinPressed)="chosen.emit($event)"
      [text]="'The figure does it: ' + exercise().name"
    />
  `,
  styles: `
    :host {
      display: block;
    }
    pk-figure {
      height: 100%;
    }
    pk-figure ::ng-deep svg {
      height: 100%;
      width: 100%;
    }
  `,
})
export class HallFigure {
  readonly segment = input.required<ExerciseSegment>();
  readonly exercise = input.required<Exercise>();
  readonly body = input.required<Body>();
  readonly school = input.required<School>();
  readonly doing = input.required<Doing>();
  /** As in a mirror, where who stands opposite sees his or her own left move with the left; facing; or from behind. */
  readonly seenAs = input.required<SeenAs>();
  readonly point = input<Checkpoint | null>(null);
  /** How full the breath is that paces it, so many seconds into the span; null where it is left alone. */
  readonly fullness = input<((seconds: number) => number) | null>(null);
  /** Checkpoints that can be pressed, where a class is corrected. */
  readonly choices = input<readonly Checkpoint[]>([]);
  readonly chosen = output<string>();

  protected readonly shown = computed(() => shownDrill(this.segment(), this.exercise(), this.body(), this.school()));
  protected readonly view = computed(() => {
    const { view } = this.shown();
    return view === 'front' && this.seenAs() === 'behind' ? 'behind' : view;
  });
  /** Since the practice last said where it is, ms. */
  private readonly since = signal(0);
  protected readonly pose = computed(() => {
    const { side, direction, done, into, lengthMs, running } = this.doing();
    const on = running && lengthMs > 0 ? Math.min(1, into + this.since() / lengthMs) : into;
    return shownPose(this.shown(), on, done, this.seen(side), direction);
  });
  protected readonly pins = computed((): Pin[] => {
    const [point, choices] = [this.point(), this.choices()];
    const shown = choices.length > 0 ? choices : point === null ? [] : [point];
    return shown.map(({ id, region, safety, wanted }) => ({
      id,
      region,
      safety,
      label: `Checkpoint ${region}: ${wanted}`,
    }));
  });

  /** How wide the belly is: with the breath, or against it where the school reverses it. */
  protected readonly belly = computed(() => {
    const fullness = this.fullness();
    if (fullness === null) return null;
    const { seconds, running } = this.doing();
    const full = fullness(seconds + (running ? this.since() / 1000 : 0));
    return this.school().belly === 'reversed' ? 1 - full : full;
  });

  constructor() {
    let frame = 0;
    let told = performance.now();
    effect(() => {
      this.doing();
      told = performance.now();
      this.since.set(0);
    });
    // Between two words of the practice the figure goes on by itself, as smoothly as the screen can show.
    const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
    const step = (): void => {
      if (this.doing().running && (this.shown().moves || this.fullness() !== null))
        this.since.set(performance.now() - told);
      frame = requestAnimationFrame(step);
    };
    if (!still) frame = requestAnimationFrame(step);
    inject(DestroyRef).onDestroy(() => cancelAnimationFrame(frame));
  }

  /** Who stands opposite and is to do it with the left sees it done by the right. */
  private seen(side: Side): Side {
    return side === 'both' || this.seenAs() !== 'mirror' ? side : flippedSide(side);
  }
}
