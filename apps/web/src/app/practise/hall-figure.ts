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
  bellyWidth,
  seenSide,
  seenView,
  shownDrill,
  shownPose,
  type Body,
  type Checkpoint,
  type Doing,
  type Exercise,
  type ExerciseSegment,
  type FigurePose,
  type School,
  type SeenAs,
  type ShownDrill,
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
  protected readonly pose = computed(() => this.posed({ ...this.shown(), view: 'front' }), { equal });
  /** As the outline draws it: from the side square to the working foot. */
  protected readonly flat = computed(() => (this.shown().view === 'side' ? this.posed(this.shown()) : this.pose()), {
    equal,
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
    return bellyWidth(this.school(), full);
  });

  private posed(shown: ShownDrill): FigurePose {
    const { side, direction, done, into, lengthMs, running } = this.doing();
    const gone = running && lengthMs > 0 ? into + this.since() / lengthMs : into;
    // A sway goes round and round; a repetition waits for the count.
    const on = shown.drill.swaySeconds === null ? Math.min(1, gone) : gone % 1;
    return shownPose(shown, on, done, seenSide(side, this.seenAs()), direction);
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
