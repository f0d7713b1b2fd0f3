import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Textarea } from 'primeng/textarea';
import * as z from 'zod';
import { PracticeLogSchema, effortWords, type BodySaid, type ClassAnswers, type ClassJournal } from '@pomek/core';
import { keptDraft } from '../data/kept-draft';
import { TextField } from '../ui/text-field';
import { BodyAnswers } from './body-answers';
import type { Stand } from '../ui/hands-answers';
import { RatingRow } from './rating-row';

const OwnSchema = PracticeLogSchema.pick({
  effort: true,
  pain: true,
  painWhere: true,
  painPlace: true,
  symptoms: true,
  shook: true,
  hands: true,
  note: true,
}).partial();
type Own = z.infer<typeof OwnSchema>;
const AnswersSchema = z.object({
  effort: PracticeLogSchema.shape.effort,
  note: PracticeLogSchema.shape.note,
  each: z.record(z.string(), OwnSchema),
});

/** After a class: one effort for all, and what was otherwise for one. */
@Component({
  selector: 'pk-class-end',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BodyAnswers, Button, InputText, RatingRow, TextField, Textarea],
  template: `
    @let it = draft.value();
    <div class="page stack end">
      <h1>Done: {{ group().name }}</h1>
      <p>
        <strong class="num">{{ people().length }}</strong> {{ people().length === 1 ? 'was' : 'were' }} here. Each gets
        their own log{{ corrected() === '' ? '.' : '; corrected: ' + corrected() + '.' }}
      </p>
      <pk-rating
        name="Effort of all"
        [words]="effortWords"
        [value]="it.effort"
        (valueChange)="draft.set({ effort: $event })"
      />
      @if (it.effort === null) {
        <p class="soft">Without an effort the practice counts, but nothing is raised after it.</p>
      }
      <section class="stack" aria-labelledby="otherwise">
        <h2 id="otherwise">Different for anyone?</h2>
        <div class="row names">
          @for (person of people(); track person.studentId) {
            <button
              type="button"
              class="name"
              [class.told]="person.studentId in it.each"
              [attr.aria-expanded]="open() === person.studentId"
              (click)="open.set(open() === person.studentId ? null : person.studentId)"
            >
              {{ person.name }}
            </button>
          }
        </div>
        @if (one(); as person) {
          @let own = it.each[person.studentId] ?? nothing;
          <section class="sheet stack" [attr.aria-label]="person.name">
            <pk-rating
              [name]="'Effort of ' + person.name"
              [words]="effortWords"
              [value]="own.effort ?? null"
              (valueChange)="tell({ effort: $event })"
            />
            <pk-body-answers [said]="said()" [of]="person.name" [stands]="stands()" (told)="tell($event)" />
            <div class="field">
              <label for="class-own-note">Note</label>
              <input
                pInputText
                id="class-own-note"
                [pkText]="own.note ?? ''"
                (pkTextChange)="tell({ note: $event })"
                maxlength="2000"
              />
            </div>
            <div class="row">
              <p-button
                label="As for all"
                size="small"
                variant="text"
                [disabled]="!(person.studentId in it.each)"
                (onClick)="asForAll()"
              />
            </div>
          </section>
        }
      </section>
      <div class="field">
        <label for="class-note">Note on the meeting</label>
        <textarea
          pTextarea
          id="class-note"
          rows="2"
          [pkText]="it.note"
          (pkTextChange)="draft.set({ note: $event })"
          maxlength="2000"
        ></textarea>
      </div>
      <div class="row">
        <p-button label="Save to the logs" icon="pi pi-check" size="large" (onClick)="finish()" />
        <p-button label="Discard this meeting" variant="text" (onClick)="dropped.emit()" />
      </div>
    </div>
  `,
  styles: `
    .end {
      max-width: 60rem;
      margin: 0 auto;
    }
    .name {
      padding: 0.4rem 0.9rem;
      border: 1px solid var(--pk-line-strong);
      border-radius: 4px;
      background: var(--pk-sheet);
      color: inherit;
      cursor: pointer;
    }
    .name.told {
      background: var(--pk-doubt-wash);
      font-weight: 600;
    }
    .name[aria-expanded='true'] {
      outline: 3px solid var(--pk-pine);
    }
  `,
})
export class ClassEnd {
  /** Whose answers these are: they outlive a reload. */
  readonly practiceId = input.required<string>();
  readonly group = input.required<ClassJournal>();
  /** Exercises in which hands may have tested the stand. */
  readonly stands = input<readonly Stand[]>([]);
  readonly save = output<ClassAnswers>();
  readonly dropped = output();

  protected readonly nothing: Own = {};
  protected readonly effortWords = effortWords;
  protected readonly open = signal<string | null>(null);
  readonly draft = keptDraft(() => `class practice ${this.practiceId()}`, AnswersSchema, {
    effort: null,
    note: '',
    each: {},
  });
  protected readonly people = computed(() => this.group().people.filter(({ from }) => from !== null));
  protected readonly one = computed(() => this.people().find(({ studentId }) => studentId === this.open()) ?? null);
  /** What is said of the body of the one who is opened. */
  protected readonly said = computed((): BodySaid => {
    const {
      pain = null,
      painPlace = null,
      painWhere = '',
      symptoms = [],
      shook = [],
      hands = [],
    } = this.draft.value().each[this.open() ?? ''] ?? {};
    return { pain, painPlace, painWhere, symptoms, shook, hands };
  });
  /** Who was corrected, and how often. */
  protected readonly corrected = computed(() => {
    const { seen } = this.group();
    return this.people()
      .map(({ studentId, name }) => ({ name, times: seen.filter((entry) => entry.studentId === studentId).length }))
      .filter(({ times }) => times > 0)
      .map(({ name, times }) => (times === 1 ? name : `${name} ${times} times`))
      .join(', ');
  });

  protected tell(part: Own): void {
    const id = this.open();
    if (id === null) return;
    const { each } = this.draft.value();
    this.draft.set({ each: { ...each, [id]: { ...each[id], ...part } } });
  }

  protected asForAll(): void {
    const { each } = this.draft.value();
    this.draft.set({ each: Object.fromEntries(Object.entries(each).filter(([id]) => id !== this.open())) });
  }

  protected finish(): void {
    this.save.emit(this.draft.value());
  }
}
