import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { axisUnits, type Axis } from '@pomek/core';
import { DurationField } from './duration-field';
import { NumberField } from './number-field';

/** A value of a strand in the units of its axis: a time for a hold, a number for everything else. */
@Component({
  selector: 'pk-axis-value',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DurationField, NumberField],
  template: `
    @if (axis() === 'time') {
      <pk-duration
        [label]="label()"
        [value]="value()"
        [min]="min() ?? 1"
        [step]="step()"
        (valueChange)="valueChange.emit($event)"
      />
    } @else {
      <pk-number
        [label]="label()"
        [unit]="unit()"
        [min]="min() ?? (fine() ? 0.1 : 1)"
        [step]="fine() ? step() : 1"
        [whole]="!fine()"
        [value]="value()"
        (valueChange)="give($event)"
      />
    }
  `,
})
export class AxisField {
  readonly label = input.required<string>();
  readonly axis = input.required<Axis>();
  readonly value = input.required<number>();
  readonly min = input<number>();
  readonly step = input(1);
  readonly valueChange = output<number>();

  protected readonly unit = computed(() => axisUnits[this.axis()]);
  protected readonly fine = computed(() => ['pace', 'width', 'length'].includes(this.axis()));

  protected give(value: number | null): void {
    if (value !== null) this.valueChange.emit(value);
  }
}
