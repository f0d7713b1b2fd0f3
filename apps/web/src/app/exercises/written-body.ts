import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  model,
  output,
  signal,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import equal from 'fast-deep-equal';
import {
  bestView,
  cycleMoment,
  draggedFrame,
  draggedPosture,
  draggedWords,
  figurePose,
  firstSeconds,
  handlesOf,
  isPlayable,
  layoutFigure,
  movedBy,
  outOfReach,
  postureHandles,
  postureWords,
  settlePosture,
  slidingFeet,
  stillMoment,
  swappedFrame,
  withPartTwice,
  withoutPart,
  MOST_PARTS,
  MOST_VIA,
  type DraggedPart,
  type Exercise,
  type FigurePose,
  type FigureView,
  type Keyframe,
  type Phase,
  type Point3,
  type Posture,
} from '@pomek/core';
import { PersonChoice } from '../data/person-choice';
import type { Patch } from '../data/patch';
import { BodyInSpace, viewChoices, type BodyHandle } from '../space/body-in-space';
import { frameAt, sameStand, standsOf, stepsTo, type StandPlace } from './stand-place';

/** Pixels of a metre in the row of small figures. */
const SMALL = 42;

/** A body as a small outline. */
function small(pose: FigurePose, view: FigureView) {
  const { width, height, shapes } = layoutFigure(pose, view, SMALL);
  return { box: `${width * 0.16} 0 ${width * 0.68} ${height}`, shapes };
}

const footOf = { working: 'foot', other: 'otherFoot' } as const;

/** The body beside the fields of an exercise: its posture, or the position that is written, taken and moved by hand. */
@Component({
  selector: 'pk-written-body',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BodyInSpace, Button, FormsModule, SelectButton],
  templateUrl: './written-body.html',
  styleUrl: './written-body.scss',
})
export class WrittenBody {
  private readonly choice = inject(PersonChoice);
  readonly exercise = input.required<Exercise>();
  /** The position that is written; null is the posture. */
  readonly selected = model<StandPlace | null>(null);
  /** A position that was moved, below the parts. */
  readonly typed = output<Patch>();
  /** The posture as it was moved. */
  readonly postureMoved = output<Posture>();
  /** What is done with the parts as a whole. */
  readonly changed = output<(phases: readonly Phase[]) => Phase[]>();

  /** From where its movement is seen best, until another view is chosen. */
  protected readonly view = linkedSignal<string, FigureView>({
    source: () => this.exercise().id,
    computation: () => untracked(() => bestView(this.exercise(), this.choice.person().body, this.choice.school())),
  });
  protected readonly views = viewChoices;
  protected readonly playing = signal(false);
  private readonly at = signal(0);
  private frame = 0;
  /** The position while it is being dragged. */
  private readonly pulled = signal<Keyframe | null>(null);
  /** The posture while it is being dragged. */
  private readonly pulledPosture = signal<Posture | null>(null);
  private readonly posture = computed(() => this.pulledPosture() ?? this.exercise().posture);

  protected readonly playable = computed(() => isPlayable(this.exercise()));
  protected readonly written = computed(() => {
    const place = this.selected();
    return place === null ? null : (this.pulled() ?? frameAt(this.exercise(), place));
  });
  private readonly settled = computed(() => settlePosture(this.posture(), this.choice.school()));
  private readonly still = computed(() => {
    const frame = this.written();
    return frame === null ? this.posed(null) : this.standing(frame);
  });
  protected readonly pose = computed(() => {
    if (!this.playing() || !this.playable()) return this.still();
    return this.posed(cycleMoment(this.exercise(), this.choice.school(), this.at() % 1));
  });
  /** The body in each position of a repetition, in their order. */
  private readonly poses = computed(() =>
    standsOf(this.exercise().phases).map((place) => ({
      place,
      pose: this.standing(frameAt(this.exercise(), place)!),
    })),
  );
  /** From where the small figures are seen: above tells little of them. */
  private readonly small = computed(() => (this.view() === 'above' ? 'front' : this.view()));
  protected readonly stood = computed(() => small(this.posed(null), this.small()));
  /** All positions in their order, each as a small figure. */
  protected readonly row = computed(() =>
    this.poses().map(({ place, pose }) => {
      const drawn = small(pose, this.small());
      const part = `Part ${place.part + 1}`;
      return {
        place,
        label:
          place.via === null
            ? `${part}, its end: ${this.exercise().phases[place.part]!.name}`
            : `${part}, on the way ${place.via + 1}`,
        number: place.via === null ? `${place.part + 1}` : '·',
        ...drawn,
        here: sameStand(place, this.selected()),
      };
    }),
  );
  private readonly short = computed(() => {
    const frame = this.written();
    return frame === null ? [] : outOfReach(this.still(), frame);
  });
  /** What moves, whatever is typed beside it. */
  private readonly moving = computed(() => this.exercise(), {
    equal: (one, other) =>
      (['phases', 'posture', 'travel', 'phasesSwap'] as const).every((of) => equal(one[of], other[of])),
  });
  private readonly sliding = computed(() =>
    slidingFeet(this.moving(), this.choice.person().body, this.choice.school()),
  );
  protected readonly faults = computed(() => [
    ...this.short().map(({ part, short }) => `${draggedWords[part]}: ${Math.round(short * 100)} cm out of reach.`),
    ...this.sliding().map(
      ({ part, role, far }) =>
        `Part ${part + 1}: the ${role} foot slides ${Math.round(far * 100)} cm over the floor. Lift it, or leave it where it stands.`,
    ),
  ]);
  protected readonly handles = computed((): BodyHandle[] => {
    if (this.playing()) return [];
    if (this.selected() === null)
      return postureHandles(this.still()).map(({ part, at }) => ({
        id: part,
        at,
        label: postureWords[part],
        faulty: false,
      }));
    if (this.written() === null) return [];
    return handlesOf(this.still()).map(({ part, at }) => ({
      id: part,
      at,
      label: draggedWords[part],
      faulty:
        this.short().some((missed) => missed.part === part) ||
        this.sliding().some(({ role, part: nth }) => part === footOf[role] && nth === this.selected()?.part),
    }));
  });
  protected readonly title = computed(() => {
    const place = this.selected();
    if (this.playing()) return 'The whole repetition';
    if (place === null) return 'The posture';
    return place.via === null ? `End of part ${place.part + 1}` : `On the way of part ${place.part + 1}`;
  });
  /** Up to where a hand goes in it, m, so that the body keeps its size from position to position. */
  protected readonly highest = computed(() =>
    Math.max(0, ...this.poses().flatMap(({ pose: { arms } }) => [arms.left.hand.y, arms.right.hand.y])),
  );
  protected readonly text = computed(() => `${this.exercise().name}. ${this.title()}.`);
  protected readonly canAdd = computed(() => {
    const place = this.selected();
    return place !== null && (this.exercise().phases[place.part]?.via.length ?? MOST_VIA) < MOST_VIA;
  });
  protected readonly canCopy = computed(() => this.exercise().phases.length < MOST_PARTS);

  constructor() {
    effect((onCleanup) => {
      if (!this.playing()) return;
      const { defaultDose, swaySeconds } = this.exercise();
      const seconds = swaySeconds ?? firstSeconds(defaultDose);
      let last: number | null = null;
      const step = (now: number): void => {
        if (last !== null) {
          const gone = (now - last) / 1000 / seconds;
          this.at.update((at) => (at + gone) % 1);
        }
        last = now;
        this.frame = requestAnimationFrame(step);
      };
      this.frame = requestAnimationFrame(step);
      onCleanup(() => cancelAnimationFrame(this.frame));
    });
    effect(() => {
      // A place that is gone is nobody's; one that was just added is still on its way.
      const [place, { phases }] = [this.selected(), this.exercise()];
      if (place === null) return;
      const { part, via } = place;
      if (part > phases.length || (via ?? 0) > (phases[part]?.via.length ?? 0)) this.selected.set(null);
    });
    inject(DestroyRef).onDestroy(() => cancelAnimationFrame(this.frame));
  }

  protected play(): void {
    this.at.set(0);
    this.playing.update((playing) => !playing);
  }

  protected choose(place: StandPlace | null): void {
    this.playing.set(false);
    this.pulled.set(null);
    this.pulledPosture.set(null);
    this.selected.set(place);
  }

  protected drag({ id, at, done }: { readonly id: string; readonly at: Point3; readonly done: boolean }): void {
    const [place, frame] = [this.selected(), this.written()];
    if (place === null) {
      const stand = (posture: Posture): FigurePose => this.posed(null, settlePosture(posture, this.choice.school()));
      const moved = draggedPosture(this.posture(), this.still(), stand, id as DraggedPart, at);
      this.pulledPosture.set(done ? null : moved);
      if (done) this.postureMoved.emit(moved);
      return;
    }
    if (frame === null) return;
    const moved = draggedFrame(frame, this.exercise().posture, this.still(), id as DraggedPart, at);
    this.pulled.set(done ? null : moved);
    if (done) this.write(moved);
  }

  protected mirror(): void {
    const frame = this.written();
    if (frame !== null) this.write(swappedFrame(frame));
  }

  /** One more like it: on the way a position, at an end the part. */
  protected copy(): void {
    const place = this.selected();
    if (place === null) return;
    const { part, via } = place;
    if (via === null) {
      this.changed.emit((phases) => withPartTwice(phases, part));
      this.selected.set({ part: part + 1, via });
      return;
    }
    this.changed.emit((phases) => this.withVia(phases, part, (stands) => stands.toSpliced(via, 0, stands[via]!)));
    this.selected.set({ part, via: via + 1 });
  }

  /** A position on the way to this one, as it stands there. */
  protected addOnWay(): void {
    const place = this.selected();
    if (place === null) return;
    const { part } = place;
    const at = place.via ?? this.exercise().phases[part]!.via.length;
    const frame = this.written()!;
    this.changed.emit((phases) => this.withVia(phases, part, (stands) => stands.toSpliced(at, 0, frame)));
    this.selected.set({ part, via: at });
  }

  protected move(by: -1 | 1): void {
    const place = this.selected();
    if (place === null) return;
    const { part, via } = place;
    const { phases: now } = this.exercise();
    const to = (via ?? part) + by;
    if (to < 0 || to >= (via === null ? now.length : now[part]!.via.length)) return;
    if (via === null) this.changed.emit((phases) => movedBy(phases, part, by));
    else this.changed.emit((phases) => this.withVia(phases, part, (stands) => movedBy(stands, via, by)));
    this.selected.set(via === null ? { part: to, via } : { part, via: to });
  }

  protected remove(): void {
    const place = this.selected();
    if (place === null) return;
    const { part, via } = place;
    this.selected.set(null);
    if (via === null) this.changed.emit((phases) => withoutPart(phases, part));
    else this.changed.emit((phases) => this.withVia(phases, part, (stands) => stands.toSpliced(via, 1)));
  }

  private withVia(
    phases: readonly Phase[],
    part: number,
    change: (stands: readonly Keyframe[]) => Keyframe[],
  ): Phase[] {
    return phases.map((phase, at) => (at === part ? { ...phase, via: change(phase.via) } : phase));
  }

  private write(frame: Keyframe): void {
    this.typed.emit({ at: stepsTo(this.selected()!), value: frame });
  }

  /** The body in one position, as if it always stood so. */
  private standing(frame: Keyframe): FigurePose {
    const { phases, ...exercise } = this.exercise();
    const part = { ...phases[0]!, share: 1, via: [], end: frame };
    const whole = { ...exercise, phasesSwap: false, phases: [part] };
    return this.posed(cycleMoment(whole, this.choice.school(), 1 - 1e-6));
  }

  private posed(moment: ReturnType<typeof cycleMoment>, settled = this.settled()): FigurePose {
    const { body } = this.choice.person();
    return figurePose(body, settled, moment ?? stillMoment({ posture: settled }), this.choice.side());
  }
}
