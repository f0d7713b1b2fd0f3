import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { Textarea } from 'primeng/textarea';
import * as z from 'zod';
import {
  PracticeLogSchema,
  effortWords,
  isSerious,
  painPlaces,
  painWords,
  seriousCaution,
  symptoms,
  type Symptom,
} from '@pomek/core';
import { keptDraft } from '../data/kept-draft';
import { TextField } from '../ui/text-field';
import { RatingRow } from './rating-row';

export type EndAnswers = z.infer<typeof AnswersSchema>;

/** What is asked; `apart` is one exercise that was harder, or easier, than the rest; `gaveOut` what ended the holds that fell short. */
const AnswersSchema = PracticeLogSchema.pick({
  effort: true,
  pain: true,
  painWhere: true,
  painPlace: true,
  symptoms: true,
  note: true,
}).extend({
  apart: z
    .object({ segmentId: z.string(), effort: z.number().int().min(0).max(10).nullable() })
    .nullable()
    .default(null),
  gaveOut: z.array(z.object({ segmentId: z.string(), by: z.enum(['legs', 'arms']) })).default([]),
});
const nothing: EndAnswers = {
  effort: null,
  pain: 0,
  painWhere: '',
  painPlace: null,
  symptoms: [],
  note: '',
  apart: null,
  gaveOut: [],
};

/** Ten seconds at the end: effort, pain, anything else. */
@Component({
  selector: 'pk-end-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, FormsModule, InputText, RatingRow, Select, TextField, Textarea],
  template: `
    @let it = draft.value();
    <div class="page stack end">
      <h1>Done: {{ routineName() }}</h1>
      @if (logged()) {
        <pk-rating
          name="Effort"
          [words]="effortWords"
          [value]="it.effort"
          (valueChange)="draft.set({ effort: $event })"
        />
        @if (parts().length > 1) {
          <details [open]="it.apart !== null">
            <summary>One exercise was harder or easier than the rest</summary>
            <div class="stack apart">
              <p-select
                [options]="parts()"
                optionLabel="name"
                optionValue="segmentId"
                [showClear]="true"
                placeholder="Which?"
                ariaLabel="The exercise that was harder or easier"
                [ngModel]="it.apart?.segmentId ?? null"
                (ngModelChange)="setApart($event)"
                appendTo="body"
              />
              @if (it.apart; as apart) {
                <pk-rating
                  name="Its effort"
                  [words]="effortWords"
                  [value]="apart.effort"
                  (valueChange)="draft.set({ apart: { segmentId: apart.segmentId, effort: $event } })"
                />
              }
            </div>
          </details>
        }
        @for (hold of short(); track hold.segmentId) {
          <fieldset>
            <legend>{{ hold.name }} fell short. What gave out?</legend>
            @for (choice of limbs; track choice.label) {
              <span class="row">
                <input
                  type="radio"
                  [name]="'gave-out-' + hold.segmentId"
                  [id]="'gave-out-' + hold.segmentId + '-' + choice.label"
                  [checked]="gaveOut(hold.segmentId) === choice.by"
                  (change)="setGaveOut(hold.segmentId, choice.by)"
                />
                <label [for]="'gave-out-' + hold.segmentId + '-' + choice.label">{{ choice.label }}</label>
              </span>
            }
          </fieldset>
        }
        <pk-rating name="Pain" [words]="painWords" [value]="it.pain" (valueChange)="draft.set({ pain: $event })" />
        @if (it.pain > 0) {
          <fieldset>
            <legend>Where does it hurt?</legend>
            @for (place of places; track place) {
              <span class="row">
                <input
                  type="radio"
                  name="pain-place"
                  [id]="'place-' + place"
                  [checked]="it.painPlace === place"
                  (change)="draft.set({ painPlace: place })"
                />
                <label [for]="'place-' + place">{{ place }}</label>
              </span>
            }
          </fieldset>
          <div class="field where">
            <label for="pain-where">Just where, if you like</label>
            <input
              pInputText
              id="pain-where"
              [pkText]="it.painWhere"
              (pkTextChange)="draft.set({ painWhere: $event })"
              maxlength="120"
            />
          </div>
        }
        <fieldset>
          <legend>Any of these?</legend>
          @for (symptom of symptoms; track symptom) {
            <span class="row">
              <p-checkbox
                [inputId]="'symptom-' + symptom"
                [binary]="true"
                [ngModel]="it.symptoms.includes(symptom)"
                (ngModelChange)="toggle(symptom, $event)"
              />
              <label [for]="'symptom-' + symptom">{{ symptom }}</label>
            </span>
          }
        </fieldset>
        @if (serious()) {
          <p class="serious" role="alert">
            {{ seriousCaution }}
          </p>
        }
        <div class="field">
          <label for="end-note">Note</label>
          <textarea
            pTextarea
            id="end-note"
            rows="2"
            [pkText]="it.note"
            (pkTextChange)="draft.set({ note: $event })"
            maxlength="2000"
          ></textarea>
        </div>
        <div class="row">
          <p-button label="Keep in the log" icon="pi pi-check" size="large" (onClick)="finish()" />
          <p-button label="Drop this practice" variant="text" (onClick)="dropped.emit()" />
        </div>
      } @else {
        <p>Nothing is logged, since no student was chosen.</p>
        <div class="row"><p-button label="Back to the routines" (onClick)="finish()" /></div>
      }
    </div>
  `,
  styles: `
    .end {
      max-width: 60rem;
      margin: 0 auto;
    }
    .apart {
      padding-top: 0.5rem;
      max-width: 30rem;
    }
    .where {
      max-width: 24rem;
    }
    fieldset {
      border: 0;
      padding: 0;
      margin: 0;
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 1.5rem;
    }
    input[type='radio'] {
      width: 1.4rem;
      height: 1.4rem;
    }
    legend {
      font-size: 0.89rem;
      color: var(--pk-soft);
      padding: 0 0 0.25rem;
    }
    .serious {
      border-left: 6px solid var(--pk-danger);
      background: var(--pk-danger-wash);
      padding: 0.75rem 1rem;
      font-weight: 600;
    }
  `,
})
export class EndForm {
  /** Whose answers these are: they outlive a reload. */
  readonly practiceId = input.required<string>();
  readonly logged = input.required<boolean>();
  readonly routineName = input.required<string>();
  /** The exercises of the practice, for an effort set apart. */
  readonly parts = input<{ readonly segmentId: string; readonly name: string }[]>([]);
  /** Holds that fell short, or lost their alignment. */
  readonly short = input<{ readonly segmentId: string; readonly name: string }[]>([]);
  readonly save = output<EndAnswers>();
  readonly dropped = output();

  protected readonly limbs = [
    { label: 'the legs', by: 'legs' },
    { label: 'the arms', by: 'arms' },
    { label: 'something else, or it was ended', by: null },
  ] as const;
  protected readonly symptoms = symptoms;
  protected readonly places = painPlaces;
  protected readonly effortWords = effortWords;
  protected readonly painWords = painWords;
  readonly draft = keptDraft(() => `practice ${this.practiceId()}`, AnswersSchema, nothing);
  protected readonly seriousCaution = seriousCaution;
  protected readonly serious = computed(() => isSerious(this.draft.value()));

  protected toggle(symptom: Symptom, on: boolean): void {
    const others = this.draft.value().symptoms.filter((entry) => entry !== symptom);
    this.draft.set({ symptoms: on ? [...others, symptom] : others });
  }

  protected setApart(segmentId: string | null): void {
    this.draft.set({ apart: segmentId === null ? null : { segmentId, effort: null } });
  }

  protected gaveOut(segmentId: string): 'legs' | 'arms' | null {
    return this.draft.value().gaveOut.find((entry) => entry.segmentId === segmentId)?.by ?? null;
  }

  protected setGaveOut(segmentId: string, by: 'legs' | 'arms' | null): void {
    const others = this.draft.value().gaveOut.filter((entry) => entry.segmentId !== segmentId);
    this.draft.set({ gaveOut: by === null ? others : [...others, { segmentId, by }] });
  }

  protected finish(): void {
    const { pain, painWhere, painPlace, note, ...rest } = this.draft.value();
    const hurts = pain > 0;
    this.save.emit({
      ...rest,
      pain,
      painWhere: hurts ? painWhere.trim() : '',
      painPlace: hurts ? painPlace : null,
      note: note.trim(),
    });
  }
}
