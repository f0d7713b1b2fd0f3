import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import {
  doseGivenAs,
  doseGivings,
  HAND_ON,
  durationWords,
  givingOf,
  givingsFor,
  mirrorSegment,
  spokenExercise,
  stageChoices,
  standsOtherwise,
  withStage,
  segmentPosture,
  settlePosture,
  sideOrders,
  sideOrderWords,
  stillPose,
  tiringBones,
  unturned,
  upperFirst,
  variantLines,
  type Dose,
  type DoseGiving,
  type Exercise,
  type School,
  type Segment,
  type SideOrder,
  type TurnedNumber,
} from '@pomek/core';
import { patchOf, type Patch } from '../data/patch';
import type { Person } from '../data/person-choice';
import { segmentEffortWords, type SegmentEffort } from './effort-words';
import { FirmnessField } from './firmness-field';
import { DoseEditor } from '../ui/dose-editor';
import { DurationField } from '../ui/duration-field';
import { BodyInSpace } from '../space/body-in-space';
import { HoldParts } from '../ui/hold-parts';
import { NumberField } from '../ui/number-field';
import { TextField } from '../ui/text-field';

const segmentAt = patchOf<Segment>();

/** One segment of a routine in full: its dose, how it is stood, its sides and what it asks for. */
@Component({
  selector: 'pk-segment-dose',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BodyInSpace,
    Button,
    Checkbox,
    DoseEditor,
    DurationField,
    FirmnessField,
    FormsModule,
    HoldParts,
    InputText,
    NumberField,
    Select,
    SelectButton,
    TextField,
  ],
  templateUrl: './segment-dose.html',
  styleUrl: './segment-dose.scss',
})
export class SegmentDose {
  readonly segment = input.required<Segment>();
  readonly name = input.required<string>();
  readonly exercise = input<Exercise>();
  readonly seconds = input.required<number>();
  readonly effort = input<SegmentEffort>();
  readonly person = input.required<Person>();
  readonly school = input.required<School>();
  readonly first = input.required<boolean>();
  readonly last = input.required<boolean>();
  /** One value of the segment that was typed. */
  readonly typed = output<Patch>();
  readonly changed = output<(segment: Segment) => Segment>();
  readonly up = output();
  readonly down = output();
  readonly duplicate = output();
  readonly remove = output();

  /** What is held changes sides from hold to hold; what is repeated, by repetition too where one stands the same on both sides. */
  protected readonly orders = computed(() => {
    const segment = this.segment();
    if (segment.type !== 'exercise') return [];
    const exercise = this.exercise();
    const ownStand = exercise !== undefined && standsOtherwise(exercise);
    const oneByOne = segment.sideOrder === 'each' || (segment.dose.kind !== 'hold' && !ownStand);
    return sideOrders
      .filter((order) => order !== 'each' || oneByOne)
      .map((value) => ({ value, label: upperFirst(sideOrderWords[value]) }));
  });
  protected readonly ways = computed(() => {
    const exercise = this.exercise();
    const segment = this.segment();
    if (exercise === undefined || segment.type !== 'exercise') return [];
    return [...new Set([givingOf(segment.dose), ...givingsFor(exercise)])].sort(
      (a, b) => doseGivings.indexOf(a) - doseGivings.indexOf(b),
    );
  });
  protected readonly drill = computed(() => this.exercise() ?? { phases: [] });
  protected readonly handOn = HAND_ON;
  protected readonly length = computed(() => durationWords(this.seconds()));
  protected readonly sided = computed(() => {
    const segment = this.segment();
    return segment.type === 'exercise' && segment.dose.amounts.length > 1;
  });

  protected readonly effortWords = computed(() => {
    const effort = this.effort();
    return effort === undefined ? [] : segmentEffortWords(effort);
  });
  protected readonly pastToes = computed(() => (this.effort()?.kneePastToes ?? -1) > 0);

  /** How it is done with little time and with more, as the school says it. */
  protected readonly variants = computed(() => {
    const exercise = this.exercise();
    return exercise === undefined ? [] : variantLines(spokenExercise(exercise, this.school(), 'both'));
  });

  protected readonly pose = computed(() => {
    const segment = this.segment();
    const exercise = this.exercise();
    if (segment.type !== 'exercise' || exercise === undefined) return null;
    const posture = segmentPosture(segment, exercise);
    return stillPose(this.person().body, posture, this.school(), 'right');
  });
  /** What gives out first is tinted on the figure. */
  protected readonly tiring = computed(() => {
    const [effort, pose] = [this.effort(), this.pose()];
    return effort === undefined || effort.unlimited || pose === null ? [] : tiringBones(effort.joint, pose);
  });
  protected readonly posture = computed(() => {
    const segment = this.segment();
    const exercise = this.exercise();
    // As it is stood in: a plain stance is as wide as the school's.
    return segment.type === 'exercise' && exercise !== undefined
      ? settlePosture(segmentPosture(segment, exercise), this.school())
      : null;
  });

  protected share(share: number): number {
    return Math.round(share * 100);
  }

  /** The stages of the drill, to practise one of them; none where it has no more than one. */
  protected readonly stages = computed(() => {
    const exercise = this.exercise();
    return exercise === undefined ? [] : stageChoices(exercise);
  });
  protected readonly stage = computed(() => {
    const segment = this.segment();
    return segment.type === 'exercise' ? (segment.turned?.stage ?? null) : null;
  });

  protected setStage(stage: number | null): void {
    const exercise = this.exercise();
    if (exercise === undefined) return;
    this.changed.emit((segment) => (segment.type === 'exercise' ? withStage(segment, exercise, stage) : segment));
  }

  /** What is the same as in the exercise is not kept as a turn. */
  protected turn(key: Exclude<TurnedNumber, 'stage'>, value: number | null): void {
    const exercise = this.exercise();
    const usual = exercise === undefined ? undefined : settlePosture(exercise.posture, this.school())[key];
    const wanted = value === usual ? null : value;
    this.typed.emit(segmentAt(['turned', key], wanted, unturned));
  }

  /** Whether one holds on to something: for whoever is not steady. */
  protected holdOn(wanted: boolean): void {
    this.typed.emit(segmentAt(['turned', 'handOn'], wanted ? true : null, unturned));
  }

  protected dose(patch: Patch): void {
    this.typed.emit({ ...patch, at: ['dose', ...patch.at] });
  }

  protected changeDose(change: (dose: Dose) => Dose): void {
    this.changed.emit((segment) =>
      segment.type === 'exercise' ? { ...segment, dose: change(segment.dose) } : segment,
    );
  }

  protected giveAs(giving: DoseGiving): void {
    this.changeDose((dose) => doseGivenAs(dose, giving));
  }

  protected setOrder(sideOrder: SideOrder): void {
    this.typed.emit(segmentAt(['sideOrder'], sideOrder));
  }

  protected setChange(changeSeconds: number | null): void {
    this.typed.emit(segmentAt(['changeSeconds'], changeSeconds));
  }

  protected setStart(startsOnCue: boolean): void {
    this.typed.emit(segmentAt(['startsOnCue'], startsOnCue));
  }

  protected setSeconds(seconds: number): void {
    this.typed.emit(segmentAt(['seconds'], seconds));
  }

  protected setLabel(label: string): void {
    this.typed.emit({ ...segmentAt(['label'], label), letters: true });
  }

  protected mirror(): void {
    this.changed.emit(mirrorSegment);
  }
}
