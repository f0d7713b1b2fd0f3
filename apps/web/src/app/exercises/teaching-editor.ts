import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Textarea } from 'primeng/textarea';
import { plainStage, signKinds, signWords, type SignKind } from '@pomek/core';
import type { Editing } from '../data/editing';
import { linesOf } from '../ui/lines';
import { TextField } from '../ui/text-field';
import { StageEditor } from './stage-editor';

/** What is said aloud of an exercise of one's own: the way in, stages, signs, attention, the quick and the long way. */
@Component({
  selector: 'pk-teaching',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, InputText, StageEditor, TextField, Textarea],
  template: `
    @if (edit().draft(); as it) {
      <div class="two">
        <div class="field">
          <label for="way-in">The way in, a line each</label>
          <textarea
            pTextarea
            id="way-in"
            rows="6"
            [pkText]="it.wayIn.join(newLine)"
            (pkTextChange)="edit().type(['wayIn'], lines($event))"
          ></textarea>
        </div>
        @if (it.defaultDose.kind === 'hold') {
          <div class="field">
            <label for="attention">Where the attention goes, a line each</label>
            <textarea
              pTextarea
              id="attention"
              rows="6"
              [pkText]="it.attention.join(newLine)"
              (pkTextChange)="edit().type(['attention'], lines($event))"
            ></textarea>
          </div>
        }
      </div>
      <h3>Stages, in order</h3>
      @for (stage of it.stages; track $index) {
        <pk-stage
          [stage]="stage"
          [number]="$index + 1"
          [drill]="it"
          (typed)="edit().apply($event, ['stages', $index])"
          (removed)="removeStage($index)"
        />
      }
      <div>
        <p-button
          label="Add a stage"
          icon="pi pi-plus"
          variant="outlined"
          size="small"
          [disabled]="it.stages.length >= 12"
          (onClick)="addStage()"
        />
      </div>
      <h3>Signs</h3>
      <div class="two">
        @for (sign of signs(); track sign.kind) {
          <div class="field">
            <label [for]="'sign-' + sign.kind">{{ sign.title }}, a line each</label>
            <textarea
              pTextarea
              rows="3"
              [id]="'sign-' + sign.kind"
              [pkText]="sign.text"
              (pkTextChange)="edit().type(['signs', sign.kind], lines($event))"
            ></textarea>
          </div>
        }
        <div class="field">
          <label for="quick">The quick way</label>
          <input
            pInputText
            id="quick"
            maxlength="300"
            [pkText]="it.quick"
            (pkTextChange)="edit().type(['quick'], $event)"
          />
        </div>
        <div class="field">
          <label for="long">The long way</label>
          <input
            pInputText
            id="long"
            maxlength="300"
            [pkText]="it.long"
            (pkTextChange)="edit().type(['long'], $event)"
          />
        </div>
        <div class="field">
          <label for="half-way">Half way through, said aloud</label>
          <input
            pInputText
            id="half-way"
            maxlength="80"
            placeholder="Change the hands: the left one on top."
            [pkText]="it.halfWay"
            (pkTextChange)="edit().type(['halfWay'], $event)"
          />
        </div>
        <div class="field">
          <label for="daily">In the day, beside practice</label>
          <input
            pInputText
            id="daily"
            maxlength="300"
            [pkText]="it.daily"
            (pkTextChange)="edit().type(['daily'], $event)"
          />
        </div>
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.75rem;
    }
    .two {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(18rem, 1fr));
      gap: 0.75rem 1.5rem;
    }
  `,
})
export class TeachingEditor {
  readonly edit = input.required<Editing<'exercises'>>();
  protected readonly newLine = '\n';
  protected readonly lines = linesOf;
  protected readonly signs = computed((): { kind: SignKind; title: string; text: string }[] => {
    const signs = this.edit().draft()?.signs;
    return signKinds.map((kind) => ({ kind, title: signWords[kind], text: (signs?.[kind] ?? []).join('\n') }));
  });

  protected addStage(): void {
    void this.edit().change('Add a stage', (stored) => ({
      ...stored,
      stages: [...stored.stages, { ...plainStage, name: `Stage ${stored.stages.length + 1}` }],
    }));
  }

  protected removeStage(index: number): void {
    void this.edit().change('Remove a stage', (stored) => ({
      ...stored,
      stages: stored.stages.filter((_, at) => at !== index),
    }));
  }
}
