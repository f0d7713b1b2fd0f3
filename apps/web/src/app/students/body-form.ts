import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Checkbox } from 'primeng/checkbox';
import { Select } from 'primeng/select';
import { conditionRules, conditions, sidedConditions, type Condition } from '@pomek/core';
import type { Editing } from '../data/editing';
import { NumberField } from '../ui/number-field';
import { OwnLimitsForm } from './own-limits';

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
  imports: [Checkbox, FormsModule, NumberField, OwnLimitsForm, Select],
  template: `
    @if (edit().draft(); as it) {
      <div class="stack">
        <h2>Body</h2>
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
              (valueChange)="edit().set([length.key], $event)"
            />
          }
          <div class="field">
            <span class="label">Activity</span>
            <p-select
              [options]="habits"
              [ngModel]="it.habit"
              (ngModelChange)="edit().set(['habit'], $event)"
              ariaLabel="Activity"
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
            Legs and arms are estimated at {{ factor() }} % of what tests and guess say, since efforts were felt
            otherwise.
          </p>
        }
        <h3>Conditions</h3>
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
              @if (sided.has(condition) && it.conditions.includes(condition)) {
                <p-select
                  class="side"
                  size="small"
                  [options]="sides"
                  optionLabel="label"
                  optionValue="value"
                  [ngModel]="it.conditionSides[condition] ?? null"
                  (ngModelChange)="edit().set(['conditionSides', condition], $event ?? undefined)"
                  [ariaLabel]="'Side of ' + condition"
                  appendTo="body"
                />
              }
            </li>
          }
        </ul>
        <pk-own-limits [edit]="edit()" />
        <p class="small soft">
          What is noted here acts in the routine’s findings, on the exercise’s sheet, in the hall and on the handout,
          always with its reason; so do a short tandem or one-leg stand and few chair stands. It is no diagnosis: a
          licensed practitioner may say otherwise. What only wants saying goes under cautions.
        </p>
      </div>
    }
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
      flex-wrap: wrap;

      label {
        flex: 1 0 calc(100% - 2.5rem);
      }
    }
    .side {
      margin-inline-start: 1.75rem;
    }
    .rule {
      display: block;
      color: var(--pk-danger);
    }
  `,
})
export class BodyForm {
  readonly edit = input.required<Editing<'students'>>();

  protected readonly conditions = conditions;
  protected readonly rules = conditionRules;
  protected readonly sided = sidedConditions;
  protected readonly sides = [
    { label: 'both sides', value: null },
    { label: 'left', value: 'left' },
    { label: 'right', value: 'right' },
  ];
  protected readonly habits = ['seldom active', 'active', 'trained'];
  protected readonly lengths: readonly Length[] = [
    { key: 'statureCm', label: 'Height', unit: 'cm', min: 80, max: 250 },
    { key: 'massKg', label: 'Weight', unit: 'kg', min: 20, max: 300 },
    { key: 'shankCm', label: 'Shank', unit: 'cm', min: 10, max: 80 },
    { key: 'thighCm', label: 'Thigh', unit: 'cm', min: 10, max: 80 },
    { key: 'footCm', label: 'Foot', unit: 'cm', min: 10, max: 80 },
  ];
  protected readonly factor = computed(() => Math.round((this.edit().draft()?.capacityFactor ?? 1) * 100));

  protected toggle(condition: Condition, wanted: boolean): void {
    const others = (this.edit().draft()?.conditions ?? []).filter((entry) => entry !== condition);
    this.edit().set(['conditions'], wanted ? [...others, condition] : others);
  }
}
