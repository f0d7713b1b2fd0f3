import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { isSerious, painPlaces, painWords, seriousCaution, symptoms, type BodySaid, type Symptom } from '@pomek/core';
import { TextField } from '../ui/text-field';
import { RatingRow } from './rating-row';

let count = 0;

/** What is asked of a body at the end: pain and where, and signs to stop for, with the caution where they are serious. */
@Component({
  selector: 'pk-body-answers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Checkbox, FormsModule, InputText, RatingRow, TextField],
  host: { class: 'stack' },
  template: `
    @let it = said();
    <pk-rating
      [name]="of() === '' ? 'Pain' : 'Pain of ' + of()"
      [words]="painWords"
      [value]="it.pain"
      (valueChange)="told.emit({ pain: $event })"
    />
    @if ((it.pain ?? 0) > 0) {
      <fieldset class="choices">
        <legend>Where does it hurt?</legend>
        @for (place of places; track place) {
          <span class="row">
            <input
              type="radio"
              [name]="id + '-place'"
              [id]="id + '-' + place"
              [checked]="it.painPlace === place"
              (change)="told.emit({ painPlace: place })"
            />
            <label [for]="id + '-' + place">{{ place }}</label>
          </span>
        }
      </fieldset>
      <div class="field where">
        <label [for]="id + '-where'">Just where, if you like</label>
        <input
          pInputText
          [id]="id + '-where'"
          [pkText]="it.painWhere"
          (pkTextChange)="told.emit({ painWhere: $event })"
          maxlength="120"
        />
      </div>
    }
    <fieldset class="choices">
      <legend>Any of these?</legend>
      @for (symptom of symptoms; track symptom) {
        <span class="row">
          <p-checkbox
            [inputId]="id + '-' + symptom"
            [binary]="true"
            [ngModel]="it.symptoms.includes(symptom)"
            (ngModelChange)="toggle(symptom, $event)"
          />
          <label [for]="id + '-' + symptom">{{ symptom }}</label>
        </span>
      }
    </fieldset>
    @if (serious()) {
      <p class="serious" role="alert">{{ seriousCaution }}</p>
    }
  `,
  styles: `
    .where {
      max-width: 24rem;
    }
    .serious {
      border-left: 6px solid var(--pk-danger);
      background: var(--pk-danger-wash);
      padding: 0.75rem 1rem;
      font-weight: 600;
    }
  `,
})
export class BodyAnswers {
  readonly said = input.required<BodySaid>();
  /** Whose body it is; empty where there is only one. */
  readonly of = input('');
  readonly told = output<Partial<BodySaid>>();

  protected readonly id = `body-${(count += 1)}`;
  protected readonly painWords = painWords;
  protected readonly places = painPlaces;
  protected readonly symptoms = symptoms;
  protected readonly seriousCaution = seriousCaution;
  protected readonly serious = computed(() => isSerious(this.said()));

  protected toggle(symptom: Symptom, on: boolean): void {
    const others = this.said().symptoms.filter((entry) => entry !== symptom);
    this.told.emit({ symptoms: on ? [...others, symptom] : others });
  }
}
