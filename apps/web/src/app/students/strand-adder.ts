import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import {
  axesOfSegment,
  axisLabels,
  axisWords,
  defaultStep,
  firstGoalDay,
  firstLevel,
  newStrand,
  proposedGoal,
  type Axis,
  type Exercise,
  type ExerciseSegment,
  type PersonRecord,
  type Plan,
  type Routine,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { AxisField } from '../ui/axis-field';

/** Something more of a routine that is to grow: another drill, or another axis of one that grows already. */
@Component({
  selector: 'pk-strand-adder',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AxisField, Button, FormsModule, Select],
  template: `
    @if (drills().length > 0) {
      <div class="row top">
        <div class="field">
          <span class="label">What else is to grow</span>
          <p-select
            [options]="drills()"
            optionLabel="label"
            optionValue="value"
            placeholder="Which exercise?"
            [ngModel]="segmentId()"
            (ngModelChange)="choose($event)"
            ariaLabel="The exercise that is to grow"
            appendTo="body"
          />
        </div>
        @if (chosen(); as it) {
          <div class="field">
            <span class="label">in</span>
            <p-select
              [options]="it.axes"
              optionLabel="label"
              optionValue="value"
              [ngModel]="it.axis"
              (ngModelChange)="setAxis($event)"
              ariaLabel="What of it grows"
              appendTo="body"
            />
          </div>
          <pk-axis-value
            [label]="'From ' + it.from + ' to'"
            [axis]="it.axis"
            [value]="it.target"
            [step]="it.step"
            (valueChange)="target.set($event)"
          />
          <p-button label="Add it" size="small" (onClick)="add()" />
        }
      </div>
    }
    @if (wrong() !== '') {
      <p class="wrong" role="alert">{{ wrong() }}</p>
    }
  `,
  styles: `
    .top {
      align-items: flex-end;
    }
  `,
})
export class StrandAdder {
  private readonly clock = inject(Clock);
  readonly plan = input.required<Plan>();
  readonly routine = input.required<Routine>();
  readonly person = input.required<PersonRecord>();
  readonly planChanged = output<(plan: Plan) => Plan>();

  protected readonly segmentId = signal<string | null>(null);
  private readonly axis = signal<Axis | null>(null);
  protected readonly target = signal<number | null>(null);
  protected readonly wrong = signal('');

  private readonly parts = computed(() =>
    this.routine().segments.flatMap((segment): { segment: ExerciseSegment; exercise: Exercise; axes: Axis[] }[] => {
      const exercise = segment.type === 'exercise' ? this.person().shelf.get(segment.exerciseId) : undefined;
      if (segment.type !== 'exercise' || exercise === undefined) return [];
      const taken = new Set(
        this.plan()
          .strands.filter(({ segmentId }) => segmentId === segment.id)
          .map(({ axis }) => axis),
      );
      const axes = axesOfSegment(segment, exercise).filter((axis) => !taken.has(axis));
      return axes.length === 0 ? [] : [{ segment, exercise, axes }];
    }),
  );
  protected readonly drills = computed(() =>
    this.parts().map(({ segment, exercise }) => ({ label: exercise.name, value: segment.id })),
  );
  protected readonly chosen = computed(() => {
    const part = this.parts().find(({ segment }) => segment.id === this.segmentId());
    if (part === undefined) return null;
    const { segment, exercise, axes } = part;
    const wished = this.axis();
    const axis = wished !== null && axes.includes(wished) ? wished : axes[0]!;
    const value = firstLevel(segment, exercise, axis, this.person().school, this.person().noted).level;
    const targetDay = firstGoalDay(this.person().today);
    const target =
      this.target() ?? proposedGoal(this.person(), { routine: this.routine(), segment, exercise, axis, targetDay });
    return {
      segment,
      exercise,
      axis,
      target,
      value,
      step: defaultStep(axis, value, this.person().school),
      from: axisWords(value, axis),
      axes: axes.map((entry) => ({ label: axisLabels[entry], value: entry })),
    };
  });

  protected choose(id: string): void {
    this.segmentId.set(id);
    this.axis.set(null);
    this.target.set(null);
    this.wrong.set('');
  }

  protected setAxis(axis: Axis): void {
    this.axis.set(axis);
    this.target.set(null);
    this.wrong.set('');
  }

  protected add(): void {
    const it = this.chosen();
    if (it === null) return;
    if (it.target < it.value) {
      this.wrong.set(`The goal is below ${it.from}, where it stands.`);
      return;
    }
    const id = this.clock.newId();
    const strand = newStrand(
      id,
      it.segment,
      it.exercise,
      it.axis,
      it.target,
      firstGoalDay(this.person().today),
      this.person().school,
      this.person().noted,
    );
    this.planChanged.emit((plan) => ({ ...plan, strands: [...plan.strands, strand] }));
    this.segmentId.set(null);
    this.target.set(null);
  }
}
