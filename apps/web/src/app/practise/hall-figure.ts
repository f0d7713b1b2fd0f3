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
import equal from 'fast-deep-equal';
import {
  doingBelly,
  doingPose,
  seenView,
  shownDrill,
  type Body,
  type Checkpoint,
  type Doing,
  type Exercise,
  type ExerciseSegment,
  type FigurePose,
  type School,
  type SeenAs,
} from '@pomek/core';
import { BodyInSpace } from '../space/body-in-space';
import type { Pin } from '../ui/figure';

/** The exercise being done: the figure goes with the practice, on its side, as the students see the teacher. */
@Component({
  selector: 'pk-hall-figure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BodyInSpace],
  template: `
    <pk-body-in-space
      [pose]="pose()"
      [flat]="flat()"
      [turnsByKey]="false"
      [view]="view()"
      [highest]="shown().highest"
      [reach]="shown().reach"
      [pins]="pins()"
      [mirrored]="seenAs() === 'mirror' && view() !== 'behind'"
      [belly]="belly()"
      [selected]="point()?.id ?? null"
      (pinPressed)="chosen.emit($event)"
      [text]="'The figure does it: ' + exercise().name + '.'"
    />
  `,
  styles: `
    :host {
      display: block;
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
  protected readonly view = computed(() => seenView(this.shown(), this.seenAs()));
  /** Since the practice last said where it is, ms. */
  private readonly since = signal(0);
  protected readonly pose = computed(() => this.posed(false), { equal });
  /** As the outline draws it. */
  protected readonly flat = computed(() => (this.shown().view === 'side' ? this.posed(true) : this.pose()), { equal });
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

  protected readonly belly = computed(() => doingBelly(this.school(), this.doing(), this.since(), this.fullness()));

  private posed(square: boolean): FigurePose {
    return doingPose(this.shown(), this.doing(), this.since(), this.seenAs(), square);
  }

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
}
