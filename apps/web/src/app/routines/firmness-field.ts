import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Select } from 'primeng/select';
import { usualFirmness, type ExerciseSegment, type Firmness } from '@pomek/core';
import { patchOf, type Patch } from '../data/patch';
import { NumberField } from '../ui/number-field';

const segmentAt = patchOf<ExerciseSegment>();

/** How firm hands or steps are to be, from one level to another. */
@Component({
  selector: 'pk-firmness',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NumberField, Select],
  template: `
    <p-select
      [options]="choices"
      optionLabel="label"
      optionValue="value"
      [ngModel]="of()"
      (ngModelChange)="choose($event)"
      [ariaLabel]="'Firmness in ' + name()"
      appendTo="body"
    />
    @if (firmness(); as it) {
      <pk-number
        label="from"
        [inline]="true"
        [max]="10"
        [value]="it.from"
        (valueChange)="$event !== null && set('from', $event)"
      />
      <pk-number
        label="to"
        unit="of 10"
        [inline]="true"
        [max]="10"
        [value]="it.to"
        (valueChange)="$event !== null && set('to', $event)"
      />
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
})
export class FirmnessField {
  readonly firmness = input.required<Firmness | null>();
  readonly name = input.required<string>();
  readonly typed = output<Patch>();

  protected readonly choices = [
    { label: 'Firmness not asked', value: null },
    { label: 'How firm the hands are', value: 'hands' as const },
    { label: 'How firm the steps are', value: 'steps' as const },
  ];
  protected readonly of = computed(() => this.firmness()?.of ?? null);

  protected choose(of: Firmness['of'] | null): void {
    const now = this.firmness() ?? usualFirmness;
    this.typed.emit(segmentAt(['firmness'], of === null ? null : { ...now, of }));
  }

  protected set(key: 'from' | 'to', level: number): void {
    this.typed.emit(segmentAt(['firmness', key], level, this.firmness() ?? usualFirmness));
  }
}
