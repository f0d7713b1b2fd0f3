import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import {
  axesOf,
  axesOfSegment,
  axisLabels,
  axisWords,
  doseWords,
  firstGoal,
  firstGoalDay,
  firstLevel,
  newPlan,
  newStrand,
  segmentValue,
  type Axis,
  type Exercise,
  type ExerciseSegment,
  type Noted,
  type Plan,
  type Routine,
  type School,
  type Student,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { AxisField } from '../ui/axis-field';
import { NumberField } from '../ui/number-field';
import { TextField } from '../ui/text-field';

interface Wish {
  readonly wanted: boolean;
  readonly axis: Axis;
  readonly target: number;
}

interface Row {
  readonly segment: ExerciseSegment;
  readonly exercise: Exercise;
}

/** Gives a routine to a student: which strands are raised, how far, by when. */
@Component({
  selector: 'pk-plan-maker',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AxisField, Button, Checkbox, FormsModule, InputText, NumberField, Select, TextField],
  templateUrl: './plan-maker.html',
  styleUrl: './plan-maker.scss',
})
export class PlanMaker {
  private readonly clock = inject(Clock);
  readonly student = input.required<Student>();
  readonly routines = input.required<readonly Routine[]>();
  readonly exercises = input.required<readonly Exercise[]>();
  readonly school = input.required<School>();
  readonly today = input.required<string>();
  /** What is noted of the student: it may let a strand begin lower. */
  readonly noted = input<readonly Noted[]>([]);
  /** There is a plan already: the maker stays folded until asked for. */
  readonly another = input.required<boolean>();
  readonly made = output<Plan>();

  protected readonly unfolded = signal(false);
  protected readonly open = computed(() => this.unfolded() || !this.another());
  protected readonly routineOptions = computed(() => [...this.routines()]);
  private readonly routineId = signal<string | null>(null);
  protected readonly routine = computed(() => this.routines().find((routine) => routine.id === this.routineId()));
  protected readonly wishes = signal<ReadonlyMap<string, Wish>>(new Map());
  protected readonly chosenDay = signal<string | null>(null);
  protected readonly targetDay = computed(() => this.chosenDay() ?? firstGoalDay(this.today()));
  private readonly growthChosen = signal<number | null>(null);
  protected readonly growth = computed(
    () => this.growthChosen() ?? Math.round(this.school().raise.growthPerWeek * 100),
  );
  protected readonly wrong = signal('');

  protected readonly rows = computed(() =>
    (this.routine()?.segments ?? [])
      .filter((segment): segment is ExerciseSegment => segment.type === 'exercise')
      .flatMap((segment) => {
        const exercise = this.exercises().find(({ id }) => id === segment.exerciseId);
        if (exercise === undefined) return [];
        const wish = this.wishes().get(segment.id) ?? this.firstWish(segment, exercise);
        const first = firstLevel(segment, exercise, wish.axis, this.school(), this.noted());
        return {
          segment,
          exercise,
          name: exercise.name,
          dose: doseWords(segment.dose),
          axes: axesOfSegment(segment, exercise).map((axis) => ({ label: axisLabels[axis], value: axis })),
          wish,
          first: { ...first, words: axisWords(first.level, wish.axis) },
        };
      }),
  );
  protected readonly count = computed(() => [...this.wishes().values()].filter((wish) => wish.wanted).length);

  protected choose(id: string): void {
    this.routineId.set(id);
    this.wishes.set(new Map());
  }

  protected set({ segment, exercise }: Row, part: Partial<Wish>): void {
    const before = this.wishes().get(segment.id) ?? this.firstWish(segment, exercise);
    const axis = part.axis ?? before.axis;
    const target = part.axis === undefined ? before.target : this.wishedTarget(segment, exercise, axis);
    this.wishes.update((wishes) => new Map(wishes).set(segment.id, { ...before, target, ...part }));
  }

  protected least({ segment, exercise }: Row, wish: Wish): number {
    return firstLevel(segment, exercise, wish.axis, this.school(), this.noted()).level;
  }

  protected setGrowth(percent: number | null): void {
    this.growthChosen.set(percent);
  }

  protected make(): void {
    const routine = this.routine();
    if (routine === undefined) return;
    const strands = this.rows()
      .filter((row) => row.wish.wanted)
      .map(({ segment, exercise, wish: { axis, target } }) =>
        newStrand(this.clock.newId(), segment, exercise, axis, target, this.targetDay(), this.school(), this.noted()),
      );
    const { plan, wrong } = newPlan(
      { id: this.clock.newId(), studentId: this.student().id, routineId: routine.id, startsOn: this.today() },
      strands,
      this.growth() / 100,
      this.school(),
    );
    this.wrong.set(wrong ?? '');
    if (plan === null) return;
    this.made.emit(plan);
    this.unfolded.set(false);
    this.routineId.set(null);
    this.wishes.set(new Map());
  }

  private firstWish(segment: ExerciseSegment, exercise: Exercise): Wish {
    const axis = axesOf(segment.dose)[0]!;
    return { wanted: false, axis, target: this.wishedTarget(segment, exercise, axis) };
  }

  private wishedTarget(segment: ExerciseSegment, exercise: Exercise, axis: Axis): number {
    return firstGoal(axis, segmentValue(segment, exercise, axis), this.school(), exercise);
  }
}
