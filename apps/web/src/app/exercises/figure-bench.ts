import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { throttleTime } from 'rxjs';
import equal from 'fast-deep-equal';
import {
  figurePose,
  figureText,
  groupBy,
  isPlayable,
  stagedDrill,
  type Stage,
  rounds,
  settlePosture,
  spokenExercise,
  stillMoment,
  tiringBones,
  type BoneName,
  type Exercise,
  type FigurePose,
  type FigureView,
  type Posture,
  type PostureAnswers,
  type SettledPosture,
} from '@pomek/core';
import { BodyInSpace, viewChoices } from '../space/body-in-space';
import type { Pin } from '../ui/figure';
import { answerRows, answersFor } from './answer-rows';
import { AnswersView } from './answers-view';
import { PersonChoice, type Person } from '../data/person-choice';
import { CheckpointCard } from './checkpoint-card';
import { CyclePlayer } from './cycle-player';
import { FloorMarksView } from './floor-marks-view';
import { PostureDials } from './posture-dials';
import { ScalesDrill } from './scales-drill';

type Tab = 'posture' | 'cycle' | 'floor' | 'scales';

interface Kept {
  readonly person: Person;
  readonly posture: Posture;
}

/** Doses that are not held are compared by this many seconds. */
const USUAL_SECONDS = 120;
/** Between two readings of a posture that is being turned, ms. */
const WORDS_MS = 45;

/** The parts of a body that give out first; none where nothing does. */
function tiringIn(answers: PostureAnswers, pose: FigurePose): BoneName[] {
  const first = answers[answers.limitedBy];
  return first.unlimited ? [] : tiringBones(first.joint, pose);
}

/** The exercise as a body that one can turn: its posture, its cycle, its floor marks, on whom one likes. */
@Component({
  selector: 'pk-figure-bench',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AnswersView,
    BodyInSpace,
    Button,
    CheckpointCard,
    CyclePlayer,
    FloorMarksView,
    FormsModule,
    PostureDials,
    ScalesDrill,
    Select,
    SelectButton,
  ],
  templateUrl: './figure-bench.html',
  styleUrl: './figure-bench.scss',
})
export class FigureBench {
  protected readonly choice = inject(PersonChoice);
  /** As it is kept. */
  readonly exercise = input.required<Exercise>();
  /** The stage that is shown; null is the whole drill. */
  readonly stage = input<Stage | null>(null);
  /** The posture as it was turned is to be kept in the exercise. */
  readonly kept = output<Posture>();

  protected readonly turned = signal<Posture | null>(null);
  protected readonly compared = signal<Kept | null>(null);
  protected readonly tab = signal<Tab>('posture');
  protected readonly selected = signal<string | null>(null);
  private openId = '';

  protected readonly drill = computed(() => stagedDrill(this.exercise(), this.stage()), { equal });
  protected readonly posture = computed(() => this.turned() ?? this.drill().posture);
  protected readonly changed = computed(() => !equal(this.posture(), this.drill().posture));
  protected readonly tabs = computed(() => [
    { label: 'Posture', value: 'posture' },
    ...(isPlayable(this.drill()) ? [{ label: 'Cycle', value: 'cycle' }] : []),
    { label: 'Floor marks', value: 'floor' },
    ...(this.exercise().posture.seated ? [] : [{ label: 'Two scales', value: 'scales' }]),
  ]);
  protected readonly sides = [
    { label: 'Left', value: 'left' },
    { label: 'Right', value: 'right' },
  ];
  protected readonly people = computed(() => [
    { label: 'A standard body (170 cm, 70 kg)', value: null },
    ...this.choice.students().map((student) => ({ label: student.name, value: student.id })),
  ]);
  protected readonly settled = computed(() => settlePosture(this.posture(), this.choice.school()));
  private readonly original = computed(() => settlePosture(this.drill().posture, this.choice.school()));
  protected readonly view = signal<FigureView>('side');
  protected readonly views = viewChoices;
  /** From the side an outline is drawn square to the working foot. */
  protected readonly flat = computed(() => this.poseOf(this.choice.person(), this.posture(), this.view() === 'side'));
  protected readonly pose = computed(() => this.poseOf(this.choice.person(), this.posture(), false));
  private readonly asked = computed(() => ({ person: this.choice.person(), posture: this.settled() }));
  /** The figure moves at once; what is said of it follows every third frame, which no one reads faster. */
  private readonly saidOf = toSignal(
    toObservable(this.asked).pipe(throttleTime(WORDS_MS, undefined, { leading: true, trailing: true })),
  );
  private readonly said = computed(() => {
    const { person, posture } = this.saidOf() ?? this.asked();
    return { person, posture, answers: answersFor(person, posture) };
  });
  protected readonly rows = computed(() => {
    const { person, posture, answers } = this.said();
    return this.rowsOf(person, posture, answers);
  });
  protected readonly text = computed(() => {
    const { person, posture, answers } = this.said();
    return figureText(this.poseOf(person, posture, false), posture, answers);
  });
  protected readonly other = computed(() => {
    const kept = this.compared();
    if (kept === null) return null;
    const settled = settlePosture(kept.posture, this.choice.school());
    const pose = this.poseOf(kept.person, kept.posture, false);
    const answers = answersFor(kept.person, settled);
    return {
      name: kept.person.name,
      pose,
      flat: this.poseOf(kept.person, kept.posture, this.view() === 'side'),
      rows: this.rowsOf(kept.person, settled, answers),
      tiring: tiringIn(answers, pose),
      text: figureText(pose, settled, answers),
    };
  });
  /** What is turned now. */
  protected readonly shown = computed(() => ({
    name: this.choice.person().name,
    pose: this.pose(),
    flat: this.flat(),
    tiring: this.tiring(),
    text: this.text(),
  }));
  /** How the two that are compared are seen. */
  protected readonly together = signal<'beside' | 'through'>('beside');
  protected readonly ways = [
    { label: 'Beside each other', value: 'beside' },
    { label: 'Through each other', value: 'through' },
  ];
  /** What gives out first is tinted on the figure. */
  protected readonly tiring = computed(() => tiringIn(this.said().answers, this.pose()), { equal });
  protected readonly points = computed(
    () => spokenExercise(this.exercise(), this.choice.school(), this.choice.side()).checkpoints,
  );
  /** One pin a region, however many points it has. */
  protected readonly pins = computed(() =>
    [...groupBy(this.points(), ({ region }) => region)].map(([region, points]): Pin => {
      const safety = points.some((point) => point.safety);
      const label = `Checkpoint ${region}: ${points.map(({ wanted }) => wanted).join(' ')}${safety ? ' Safety point.' : ''}`;
      return { id: region, region, safety, label };
    }),
  );
  /** The points of the region that is selected. */
  protected readonly chosen = computed(() => this.points().filter(({ region }) => region === this.selected()));
  protected readonly assumed = computed(() => {
    const { student, assumed } = this.choice.person();
    return student === null || assumed.length === 0
      ? ''
      : `${assumed.join(' and ')} not measured: taken from the standard body.`;
  });

  constructor() {
    effect(() => {
      const { id } = this.exercise();
      const open = `${id} ${this.stage()?.name ?? ''}`;
      if (open === this.openId) return;
      this.openId = open;
      this.turned.set(null);
      this.selected.set(null);
      if (!this.tabs().some((entry) => entry.value === untracked(this.tab))) this.tab.set('posture');
    });
  }

  protected turn(part: Partial<Posture>): void {
    const posture = { ...this.posture(), ...part };
    // A foot stays lifted only with all the weight on the other leg.
    this.turned.set(posture.weightShare < 1 ? { ...posture, otherLifted: false } : posture);
  }

  protected select(id: string): void {
    this.selected.update((old) => (old === id ? null : id));
  }

  protected keepBeside(): void {
    this.compared.set({ person: this.choice.person(), posture: this.posture() });
  }

  protected keepInExercise(): void {
    this.kept.emit(this.posture());
    this.turned.set(null);
  }

  private poseOf({ body }: Person, posture: Posture, square: boolean) {
    const settled = settlePosture(posture, this.choice.school());
    return figurePose(body, settled, stillMoment({ posture: settled }), this.choice.side(), square);
  }

  private rowsOf(person: Person, posture: SettledPosture, answers: PostureAnswers) {
    const dose = this.exercise().defaultDose;
    const asked =
      dose.kind === 'hold' ? Math.max(...rounds(dose, 'whole').map((round) => round.seconds)) : USUAL_SECONDS;
    const strict = this.choice.school().precision === 'strict';
    return answerRows(person, this.original(), posture, answers, Math.max(asked, USUAL_SECONDS), strict);
  }
}
