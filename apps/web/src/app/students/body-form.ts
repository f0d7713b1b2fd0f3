import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Checkbox } from 'primeng/checkbox';
import { Select } from 'primeng/select';
import { StudentSchema, bodyProblem, conditionRules, conditions, type Condition, type Student } from '@pomek/core';
import { NumberField } from '../ui/number-field';

interface Length {
  readonly key: 'statureCm' | 'massKg' | 'shankCm' | 'thighCm' | 'footCm';
  readonly label: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
}

/** Proportions, habit and conditions of a student, each with what it does. */
@Component({
  selector: 'pk-body-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Checkbox, FormsModule, NumberField, Select],
  template: `
    @let it = student();
    <div class="stack">
      <h2>Body</h2>
      @if (wrong() !== '') {
        <p class="wrong" role="alert">Not kept: {{ wrong() }}</p>
      }
      <div class="row top">
        @for (length of lengths; track length.key) {
          <pk-number
            [label]="length.label"
            [unit]="length.unit"
            [optional]="true"
            [whole]="false"
            [step]="0.5"
            [min]="length.min"
            [max]="length.max"
            [value]="it[length.key]"
            (valueChange)="setLength(length.key, $event)"
          />
        }
        <div class="field">
          <span class="label">Habit</span>
          <p-select
            [options]="habits"
            [ngModel]="it.habit"
            (ngModelChange)="set({ habit: $event })"
            ariaLabel="Habit"
            appendTo="body"
          />
        </div>
      </div>
      <p class="small soft">
        Empty means as the standard body. Shank from the outer ankle to the knee’s crease, thigh from there to the hip
        joint; they matter when legs are long or short for the height.
      </p>
      @if (it.capacityFactor !== 1) {
        <p class="small">
          Legs and arms are reckoned at {{ factor() }} % of what tests and guess say, since efforts were felt otherwise.
        </p>
      }
      <h3>Conditions and medication</h3>
      <ul class="bare">
        @for (condition of conditions; track condition) {
          <li>
            <p-checkbox
              [inputId]="'condition-' + condition"
              [binary]="true"
              [ngModel]="it.conditions.includes(condition)"
              (ngModelChange)="toggle(condition, $event)"
            />
            <label [for]="'condition-' + condition">
              {{ condition }}
              @if (it.conditions.includes(condition)) {
                <span class="small rule">{{ rules[condition] }}</span>
              }
            </label>
          </li>
        }
      </ul>
      <p class="small soft">
        What is noted here acts in the routine’s findings and in the breath, always with its reason. Anything else goes
        under cautions, in your own words.
      </p>
    </div>
  `,
  styles: `
    .top {
      align-items: flex-end;
    }
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
      gap: 0.35rem 1rem;
    }
    li {
      display: flex;
      gap: 0.5rem;
      align-items: flex-start;
    }
    .rule {
      display: block;
      color: var(--pk-danger);
    }
  `,
})
export class BodyForm {
  readonly student = input.required<Student>();
  readonly changed = output<Partial<Student>>();

  protected readonly wrong = signal('');
  protected readonly conditions = conditions;
  protected readonly rules = conditionRules;
  protected readonly habits = ['seldom active', 'active', 'trained'];
  protected readonly lengths: readonly Length[] = [
    { key: 'statureCm', label: 'Height', unit: 'cm', min: 80, max: 250 },
    { key: 'massKg', label: 'Weight', unit: 'kg', min: 20, max: 300 },
    { key: 'shankCm', label: 'Shank', unit: 'cm', min: 10, max: 80 },
    { key: 'thighCm', label: 'Thigh', unit: 'cm', min: 10, max: 80 },
    { key: 'footCm', label: 'Foot', unit: 'cm', min: 10, max: 80 },
  ];
  protected readonly factor = computed(() => Math.round(this.student().capacityFactor * 100));

  protected set(part: Partial<Student>): void {
    const parsed = StudentSchema.safeParse({ ...this.student(), ...part });
    const problem = parsed.success
      ? bodyProblem(parsed.data)
      : parsed.error.issues.map((issue) => issue.message).join('. ');
    this.wrong.set(problem ?? '');
    if (parsed.success && problem === null) this.changed.emit(part);
  }

  protected setLength(key: Length['key'], value: number | null): void {
    this.set({ [key]: value });
  }

  protected toggle(condition: Condition, wanted: boolean): void {
    const others = this.student().conditions.filter((entry) => entry !== condition);
    this.set({ conditions: wanted ? [...others, condition] : others });
  }
}
