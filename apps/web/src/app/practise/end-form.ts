import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { Textarea } from 'primeng/textarea';
import * as z from 'zod';
import { PracticeLogSchema, effortWords, feltSet, firmnessScale, type FirmSegment } from '@pomek/core';
import { keptDraft } from '../data/kept-draft';
import { TextField } from '../ui/text-field';
import { BodyAnswers } from './body-answers';
import type { Stand } from '../ui/hands-answers';
import { RatingRow } from './rating-row';

export type EndAnswers = z.infer<typeof AnswersSchema>;

/** What is asked; `apart` is one exercise that was harder, or easier, than the rest; `gaveOut` what ended the holds that fell short. */
const AnswersSchema = PracticeLogSchema.pick({
  effort: true,
  pain: true,
  painWhere: true,
  painPlace: true,
  symptoms: true,
  shook: true,
  hands: true,
  note: true,
}).extend({
  apart: z
    .object({ segmentId: z.string(), effort: z.number().int().min(0).max(10).nullable() })
    .nullable()
    .default(null),
  gaveOut: z.array(z.object({ segmentId: z.string(), by: z.enum(['legs', 'arms']) })).default([]),
  felt: z.array(z.object({ segmentId: z.string(), level: z.number().int().min(0).max(10).nullable() })).default([]),
});
const nothing: EndAnswers = {
  effort: null,
  pain: null,
  painWhere: '',
  painPlace: null,
  symptoms: [],
  shook: [],
  hands: [],
  note: '',
  apart: null,
  gaveOut: [],
  felt: [],
};

/** Ten seconds at the end: effort, pain, anything else. */
@Component({
  selector: 'pk-end-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BodyAnswers, Button, FormsModule, RatingRow, Select, TextField, Textarea],
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
        @if (it.effort === null) {
          <p class="soft">Without an effort the practice counts, but nothing is raised after it.</p>
        }
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
          <fieldset class="choices">
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
        @for (one of firm(); track one.segmentId) {
          <pk-rating
            [name]="'How firm the ' + one.firmness.of + ' felt: ' + one.name"
            [words]="firmnessScale"
            [value]="felt(one.segmentId)"
            (valueChange)="draft.set({ felt: feltSet(it.felt, one.segmentId, $event) })"
          />
        }
        <pk-body-answers [said]="it" [stands]="stands()" (told)="draft.set($event)" />
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
          <p-button label="Save to the log" icon="pi pi-check" size="large" (onClick)="finish()" />
          <p-button label="Discard this practice" variant="text" (onClick)="dropped.emit()" />
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
  /** Exercises in which hands or steps were to be more or less firm. */
  readonly firm = input<readonly FirmSegment[]>([]);
  /** Exercises in which hands may have tested the stand. */
  readonly stands = input<readonly Stand[]>([]);
  readonly save = output<EndAnswers>();
  readonly dropped = output();

  protected readonly limbs = [
    { label: 'the legs', by: 'legs' },
    { label: 'the arms', by: 'arms' },
    { label: 'something else, or it was ended', by: null },
  ] as const;
  protected readonly effortWords = effortWords;
  protected readonly firmnessScale = firmnessScale;
  protected readonly feltSet = feltSet;
  readonly draft = keptDraft(() => `practice ${this.practiceId()}`, AnswersSchema, nothing);

  protected felt(segmentId: string): number | null {
    return this.draft.value().felt.find((entry) => entry.segmentId === segmentId)?.level ?? null;
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
    this.save.emit(this.draft.value());
  }
}
