import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import {
  bestView,
  breathTold,
  cycleMoment,
  cycleParts,
  firstSeconds,
  flippedSide,
  stayingDrill,
  figurePose,
  percent,
  reachOf,
  settlePosture,
  spokenExercise,
  stillMoment,
  toldPart,
  upperFirst,
  type Exercise,
  type FootSide,
  type Phase,
  type Point3,
  type School,
  type FigureView,
} from '@pomek/core';
import type { PathCount } from '../ui/figure';
import { BodyInSpace, viewChoices } from '../space/body-in-space';
import type { Person } from '../data/person-choice';

const SAMPLES = 60;
/** How far the head is below, or above, where it stands straight. */
function headWords(drop: number): string {
  const cm = Math.round(drop * 100);
  return cm < 0 ? `head ${-cm} cm up` : `head ${cm} cm down`;
}

/** Just before the end of a part, so that it is still that part. */
const NEARLY = 1e-6;

/** One repetition of what is dosed as a hold, s. */
const HELD_SECONDS = 8;

/** Plays a cycle on the figure: path of the hand with its counts, weight, turn, breath; can be scrubbed, slowed, mirrored, reversed. */
@Component({
  selector: 'pk-cycle-player',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BodyInSpace, Button, FormsModule, SelectButton],
  templateUrl: './cycle-player.html',
  styleUrl: './cycle-player.scss',
})
export class CyclePlayer {
  readonly exercise = input.required<Exercise>();
  readonly person = input.required<Person>();
  readonly school = input.required<School>();
  readonly working = input.required<FootSide>();

  /** With the stay its first dose has in each repetition. */
  private readonly drill = computed(() => stayingDrill(this.exercise(), this.exercise().defaultDose));

  /** From where the drill is seen best, until another view is chosen. */
  protected readonly view = linkedSignal<FigureView>(() => bestView(this.drill(), this.person().body, this.school()));
  protected readonly speed = signal(1);
  protected readonly reversed = signal(false);
  protected readonly mirrored = signal(false);
  protected readonly playing = signal(false);
  /** How many cycles were played, and how far the present one is; counts up also when reversed. */
  protected readonly at = signal(0);
  private frame = 0;

  protected readonly views = viewChoices;
  protected readonly speeds = [
    { label: '¼', value: 0.25 },
    { label: '½', value: 0.5 },
    { label: 'In time', value: 1 },
    { label: 'Twice', value: 2 },
  ];
  protected readonly seconds = computed(() => {
    const { defaultDose, swaySeconds } = this.exercise();
    return swaySeconds ?? (defaultDose.kind === 'hold' ? HELD_SECONDS : firstSeconds(defaultDose));
  });
  protected readonly side = computed(() => (this.mirrored() ? flippedSide(this.working()) : this.working()));
  private readonly settled = computed(() => settlePosture(this.drill().posture, this.school()));
  protected readonly share = computed(() => this.at() % 1);
  /** Where in the cycle: a reversed circle is the same one run backwards. */
  private readonly place = computed(() => (this.reversed() ? 1 - this.share() : this.share()));
  protected readonly moment = computed(() => {
    const { posture } = this.drill();
    return cycleMoment(this.drill(), this.school(), this.place()) ?? stillMoment({ posture });
  });
  /** In a walk every second cycle is done by the other side. */
  private readonly turnSide = computed(() =>
    this.drill().phasesSwap && Math.floor(this.at()) % 2 === 1 ? flippedSide(this.side()) : this.side(),
  );
  protected readonly pose = computed(() => this.poseAt(this.place(), this.turnSide()));
  /** From the side an outline is drawn square to the working foot. */
  protected readonly outline = computed(() =>
    this.view() === 'side' ? this.poseAt(this.place(), this.turnSide(), true) : this.pose(),
  );
  private readonly poses = computed(() =>
    Array.from({ length: SAMPLES }, (_, index) => this.poseAt(index / SAMPLES, this.side())),
  );
  /** How high a hand goes in it, m. */
  protected readonly highest = computed(() =>
    Math.max(...this.poses().flatMap(({ arms }) => [arms.left.hand.y, arms.right.hand.y])),
  );
  /** How far from its middle line something goes, m. */
  protected readonly reach = computed(() => Math.max(...this.poses().map(reachOf)));
  protected readonly path = computed((): Point3[] => {
    const side = this.side();
    if (this.drill().phases.every((phase) => phase.end?.hand == null)) return [];
    return this.poses().map(({ arms }) => arms[side].wrist);
  });
  protected readonly counts = computed((): PathCount[] => {
    if (this.path().length === 0) return [];
    const side = this.side();
    let end = 0;
    const last = this.drill().phases.length;
    return this.drill().phases.map((phase, index) => {
      end += phase.share;
      const point = this.poseAt(end - NEARLY, side).arms[side].wrist;
      return { count: this.reversed() ? last - index : index + 1, point };
    });
  });
  private readonly spoken = computed(() => spokenExercise(this.drill(), this.school(), this.turnSide()));
  /** The parts in the order in which they are played, in words of that direction and side. */
  protected readonly parts = computed(() => cycleParts(this.spoken(), this.reversed() ? 'reversed' : 'forward'));
  protected readonly here = computed(() => {
    const { phase } = this.moment();
    return this.reversed() ? this.parts().length - 1 - phase : phase;
  });
  protected readonly within = computed(() => (this.reversed() ? 1 - this.moment().within : this.moment().within));
  protected readonly phase = computed(() => this.parts()[this.here()]);
  protected told(part: Phase): string {
    return toldPart(part, this.school());
  }
  protected readonly breath = computed(() => {
    const { breath } = this.moment();
    const there = breath === 'in' ? 'out' : 'in';
    const told = breathTold(breath === 'free' || !this.reversed() ? breath : there, this.school());
    return told === '' ? 'Breath natural, unlinked' : upperFirst(told);
  });
  protected readonly facts = computed(() => {
    const { weight, turnDeg } = this.moment();
    const side = this.turnSide();
    const turn = Math.round(turnDeg);
    const to = turn > 0 ? side : flippedSide(side);
    const { seated, headDrop } = this.pose();
    return [
      ...(seated ? [] : [`${percent(weight)} on the ${side} foot`]),
      turn === 0 ? 'pelvis square' : `pelvis ${Math.abs(turn)}° to the ${to}`,
      ...(seated ? [] : [headWords(headDrop)]),
      ...this.palms(side),
    ];
  });
  /** Where the palms face, and a heel that is up. */
  private palms(side: FootSide): string[] {
    const { shape, heel } = this.moment();
    const said = ({ stands: [, from, to], share }: typeof shape.arm) => (share < 0.5 ? from : to).palm;
    const [palm, otherPalm] = [said(shape.arm), said(shape.otherArm)];
    return [
      ...(palm === null ? [] : [`${side} palm ${palm}`]),
      ...(otherPalm === null ? [] : [`${flippedSide(side)} palm ${otherPalm}`]),
      ...(heel.working > 0.5 && heel.other > 0.5
        ? ['both heels up']
        : heel.working > 0.5
          ? [`${side} heel up`]
          : heel.other > 0.5
            ? [`${flippedSide(side)} heel up`]
            : []),
    ];
  }

  protected readonly text = computed(() => {
    const name = this.phase()?.name ?? '';
    return `${this.drill().name}, part ${this.here() + 1}: ${name}. ${this.facts().join(', ')}.`;
  });

  constructor() {
    effect(() => {
      this.drill();
      this.at.set(0);
    });
    effect((onCleanup) => {
      if (!this.playing()) return;
      let last: number | null = null;
      const step = (now: number): void => {
        if (last !== null) {
          const passed = Math.min(0.1, (now - last) / 1000);
          this.at.update((at) => at + (passed * this.speed()) / this.seconds());
        }
        last = now;
        this.frame = requestAnimationFrame(step);
      };
      this.frame = requestAnimationFrame(step);
      onCleanup(() => cancelAnimationFrame(this.frame));
    });
    inject(DestroyRef).onDestroy(() => cancelAnimationFrame(this.frame));
  }

  protected scrub(percent: number): void {
    this.playing.set(false);
    this.at.update((at) => Math.floor(at) + Math.min(0.9999, percent / 100));
  }

  /** To the start of the next or the last part. */
  protected hop(direction: 1 | -1): void {
    this.playing.set(false);
    const starts = [0];
    for (const phase of this.drill().phases) starts.push(starts.at(-1)! + phase.share);
    const here = this.share();
    const places = this.reversed() ? starts.map((start) => 1 - start).toSorted((a, b) => a - b) : starts;
    const found =
      direction === 1 ? places.find((place) => place > here + 0.01) : places.findLast((place) => place < here - 0.01);
    this.at.update((at) => Math.floor(at) + ((found ?? (direction === 1 ? 0 : places.at(-2)!)) % 1));
  }

  private poseAt(place: number, side: FootSide, square = false) {
    const { posture } = this.drill();
    const moment = cycleMoment(this.drill(), this.school(), place) ?? stillMoment({ posture });
    return figurePose(this.person().body, this.settled(), moment, side, square);
  }
}
