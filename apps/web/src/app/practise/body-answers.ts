import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import {
  hurtSpots,
  isSerious,
  painPlaces,
  painWords,
  seriousCaution,
  shookToggled,
  symptoms,
  whereChosen,
  whereTapped,
  type BodySaid,
  type BodySpot,
  type PainPlace,
  type Symptom,
} from '@pomek/core';
import { TextField } from '../ui/text-field';
import { BodyTap, map } from './body-tap';
import { HandsAnswers, type Stand } from '../ui/hands-answers';
import { RatingRow } from './rating-row';

let count = 0;

/** What is asked of a body at the end: pain and where, what hands found of it, and signs to stop for, with the caution where they are serious. */
@Component({
  selector: 'pk-body-answers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BodyTap, Checkbox, FormsModule, HandsAnswers, InputText, RatingRow, TextField],
  host: { class: 'stack' },
  template: `
    @let it = said();
    <pk-rating
      [name]="of() === '' ? 'Pain' : 'Pain of ' + of()"
      [words]="painWords"
      [value]="it.pain"
      (valueChange)="told.emit({ pain: $event })"
    />
    <div class="bodies">
      <fieldset class="choices">
        <legend>Did anything shake? Tap it</legend>
        <pk-body-tap
          label="Nothing tapped"
          [spots]="map.shook"
          [chosen]="it.shook"
          (tapped)="told.emit({ shook: shookToggled(it.shook, $event.place) })"
        />
      </fieldset>
      @if ((it.pain ?? 0) > 0) {
        <fieldset class="choices">
          <legend>Where does it hurt? Tap it, or choose</legend>
          <pk-body-tap label="Not said where" [spots]="map.pain" [chosen]="hurts()" (tapped)="hurt($event)" />
          <div class="places">
            @for (place of places; track place) {
              <span class="row">
                <input
                  type="radio"
                  [name]="id + '-place'"
                  [id]="id + '-' + place"
                  [checked]="it.painPlace === place"
                  (change)="choose(place)"
                />
                <label [for]="id + '-' + place">{{ place }}</label>
              </span>
            }
            <div class="field">
              <label [for]="id + '-where'">Just where, if you like</label>
              <input
                pInputText
                [id]="id + '-where'"
                [pkText]="it.painWhere"
                (pkTextChange)="told.emit({ painWhere: $event })"
                maxlength="120"
              />
            </div>
          </div>
        </fieldset>
      }
      <fieldset class="choices signs">
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
    </div>
    <pk-hands-answers [hands]="it.hands" [stands]="stands()" (told)="told.emit({ hands: $event })" />
    @if (serious()) {
      <p class="serious" role="alert">{{ seriousCaution }}</p>
    }
  `,
  styles: `
    .bodies {
      display: flex;
      flex-wrap: wrap;
      gap: 1rem 2.5rem;
      align-items: start;
    }
    .places {
      display: grid;
      gap: 0.35rem;
      align-content: start;
      flex: 1 1 9rem;
      max-width: 15rem;
      min-width: 0;
    }
    .signs {
      flex-direction: column;
      align-items: start;
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
  /** Exercises in which hands may have tested the stand, the longest first. */
  readonly stands = input<readonly Stand[]>([]);
  readonly told = output<Partial<BodySaid>>();

  protected readonly id = `body-${(count += 1)}`;
  protected readonly painWords = painWords;
  protected readonly places = painPlaces;
  protected readonly map = map;
  protected readonly shookToggled = shookToggled;
  protected readonly hurts = computed(() => hurtSpots(map.pain, this.said()));
  protected readonly symptoms = symptoms;
  protected readonly seriousCaution = seriousCaution;
  protected readonly serious = computed(() => isSerious(this.said()));

  protected hurt(spot: BodySpot<PainPlace>): void {
    this.told.emit(whereTapped(map.pain, this.said(), spot));
  }

  protected choose(place: PainPlace): void {
    this.told.emit(whereChosen(map.pain, this.said(), place));
  }

  protected toggle(symptom: Symptom, on: boolean): void {
    const others = this.said().symptoms.filter((entry) => entry !== symptom);
    this.told.emit({ symptoms: on ? [...others, symptom] : others });
  }
}
