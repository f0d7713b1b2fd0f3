import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Select } from 'primeng/select';
import {
  axesOf,
  axesOfSegment,
  axisLabels,
  axisWords,
  contextOf,
  doseLimitWords,
  doseOf,
  doseWords,
  goalLimit,
  growthOfStrand,
  proposedGoal,
  firstGoalDay,
  firstLevel,
  newPlan,
  newStrand,
  planForecast,
  practiceDaysOf,
  type Axis,
  type Exercise,
  type ExerciseSegment,
  type PersonRecord,
  type Plan,
  type Routine,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { AxisField } from '../ui/axis-field';
import { DayField } from '../ui/day-field';
import { NumberField } from '../ui/number-field';
import { reachWords } from './reach-words';

interface Wish {
  readonly wanted: boolean;
  readonly axis: Axis;
  /** Null: as it is proposed. */
  readonly target: number | null;
}

interface Row {
  readonly segment: ExerciseSegment;
  readonly exercise: Exercise;
}

/** Gives a routine to a student: which strands are raised, how far, by when. */
@Component({
  selector: 'pk-plan-maker',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AxisField, Button, Checkbox, DayField, FormsModule, NumberField, Select],
  templateUrl: './plan-maker.html',
  styleUrl: './plan-maker.scss',
})
export class PlanMaker {
  private readonly clock = inject(Clock);
  readonly person = input.required<PersonRecord>();
  /** There is a plan already: the maker stays folded until asked for. */
  readonly another = input.required<boolean>();
  readonly made = output<Plan>();

  private readonly school = computed(() => this.person().school);
  protected readonly today = computed(() => this.person().today);
  protected readonly unfolded = signal(false);
  protected readonly open = computed(() => this.unfolded() || !this.another());
  protected readonly routineOptions = computed(() => [...this.person().routines]);
  private readonly routineId = signal<string | null>(null);
  /** The one that was chosen; where there is only one to give, that one. */
  protected readonly routine = computed(() => {
    const { routines } = this.person();
    return routines.length === 1 && !this.another()
      ? routines[0]
      : routines.find((routine) => routine.id === this.routineId());
  });
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
        const exercise = this.person().shelf.get(segment.exerciseId);
        if (exercise === undefined) return [];
        const wish = this.wishes().get(segment.id) ?? this.firstWish(segment);
        const first = firstLevel(segment, exercise, wish.axis, this.school(), this.person().noted);
        const goal = wish.wanted ? this.goal(segment, exercise, wish) : null;
        return {
          segment,
          exercise,
          name: exercise.name,
          dose: doseWords(segment.dose),
          axes: axesOfSegment(segment, exercise).map((axis) => ({ label: axisLabels[axis], value: axis })),
          wish,
          goal,
          first: { ...first, words: axisWords(first.level, wish.axis) },
        };
      }),
  );
  /** By segment: when its goal is reached in a plan with all that is wished for, and the goal that its day allows. */
  protected readonly reaches = computed(() => {
    const routine = this.routine();
    const { plan } =
      routine === undefined ? { plan: null } : this.planOf('wished', routine, ({ segment }) => segment.id);
    if (plan === null) return new Map<string, never>();
    const context = contextOf(plan, this.person());
    return new Map(
      planForecast(context).strands.map((forecast, index) => {
        const strand = plan.strands[index]!;
        const { axis, start, targetDay, segmentId } = strand;
        const growth = growthOfStrand(strand, plan, this.school().raise, practiceDaysOf(context));
        const { doseOnTargetDay: dose, inTime } = forecast;
        const words = `${reachWords(forecast, targetDay, axis, growth)}.`;
        const instead = inTime || dose <= start ? null : { dose, words: axisWords(dose, axis) };
        return [segmentId, { words, instead }] as const;
      }),
    );
  });
  protected readonly count = computed(() => [...this.wishes().values()].filter((wish) => wish.wanted).length);

  protected choose(id: string): void {
    this.routineId.set(id);
    this.wishes.set(new Map());
  }

  protected set({ segment }: Row, part: Partial<Wish>): void {
    const before = this.wishes().get(segment.id) ?? this.firstWish(segment);
    const target = part.axis === undefined ? before.target : null;
    this.wishes.update((wishes) => new Map(wishes).set(segment.id, { ...before, target, ...part }));
  }

  protected setGrowth(percent: number | null): void {
    this.growthChosen.set(percent);
  }

  protected make(): void {
    const routine = this.routine();
    if (routine === undefined) return;
    const { plan, wrong } = this.planOf(this.clock.newId(), routine, () => this.clock.newId());
    this.wrong.set(wrong ?? '');
    if (plan === null) return;
    this.made.emit(plan);
    this.unfolded.set(false);
    this.routineId.set(null);
    this.wishes.set(new Map());
  }

  /** The plan that all wishes make, or what is wrong with it. */
  private planOf(id: string, routine: Routine, idOf: (row: Row) => string): ReturnType<typeof newPlan> {
    const person = this.person();
    const { school, noted, student, today } = person;
    const strands = this.rows().flatMap((row) =>
      row.goal === null
        ? []
        : newStrand(
            idOf(row),
            row.segment,
            row.exercise,
            row.wish.axis,
            row.goal.target,
            this.targetDay(),
            school,
            noted,
          ),
    );
    const of = { id, studentId: student.id, routineId: routine.id, startsOn: today };
    return newPlan(of, strands, this.growth() / 100, school);
  }

  private firstWish(segment: ExerciseSegment): Wish {
    return { wanted: false, axis: axesOf(segment.dose)[0]!, target: null };
  }

  /** How far a drill is to grow: as typed, else what can be reached by the day; and what limits it, with the best there is. */
  private goal(segment: ExerciseSegment, exercise: Exercise, { axis, target: typed }: Wish) {
    const person = this.person();
    const wish = {
      routine: this.routine()!,
      segment,
      exercise,
      axis,
      targetDay: this.targetDay(),
      growthPerWeek: this.growth() / 100,
    };
    const target = typed ?? proposedGoal(person, wish);
    const limit = goalLimit(person, wish, target);
    const strand = newStrand('goal', segment, exercise, axis, target, wish.targetDay, person.school, person.noted);
    const best = limit === null ? target : Math.max(strand.start, doseOf(limit.dose, strand.step));
    return {
      target,
      limit: limit === null ? '' : `${doseLimitWords(strand, limit)!} ${limit.mend}`,
      best: limit === null || best >= target ? null : { dose: best, words: axisWords(best, axis) },
    };
  }
}
