import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Select } from 'primeng/select';
import { canStay, MOST_STAY, staysAfter, type CycleDose, type Exercise } from '@pomek/core';
import { patchOf, type Patch } from '../data/patch';
import { NumberField } from './number-field';

const doseAt = patchOf<CycleDose>();

/** How long a repetition stays still on its way, and at the end of which part. */
@Component({
  selector: 'pk-stay',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NumberField, Select],
  template: `
    <pk-number
      label="Held still in each"
      unit="s"
      [value]="dose().staySeconds"
      [max]="most"
      [step]="0.5"
      [whole]="false"
      (valueChange)="setSeconds($event)"
    />
    @if (dose().staySeconds > 0 && parts().length > 1) {
      <p-select
        [options]="parts()"
        optionLabel="label"
        optionValue="value"
        [ngModel]="after()"
        (ngModelChange)="setAfter($event)"
        ariaLabel="Held still after"
        appendTo="body"
      />
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    p-select {
      align-self: end;
      max-width: 16rem;
    }
  `,
})
export class StayField {
  readonly dose = input.required<CycleDose>();
  readonly drill = input.required<Pick<Exercise, 'phases'>>();
  readonly typed = output<Patch>();

  protected readonly most = MOST_STAY;
  protected readonly parts = computed(() =>
    canStay(this.drill())
      ? this.drill().phases.map(({ name }, value) => ({ value, label: `after ${value + 1}: ${name}` }))
      : [],
  );
  protected readonly after = computed(() => staysAfter(this.drill(), this.dose().stayAfter));

  protected setSeconds(seconds: number | null): void {
    if (seconds !== null) this.typed.emit(doseAt(['staySeconds'], seconds));
  }

  protected setAfter(part: number): void {
    this.typed.emit(doseAt(['stayAfter'], part));
  }
}
