import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import * as z from 'zod';
import { OwnLimitsSchema } from '@pomek/core';
import { Clock } from '../data/clock';
import type { Editing } from '../data/editing';
import { keptDraft } from '../data/kept-draft';
import { NumberField } from '../ui/number-field';
import { TextField } from '../ui/text-field';

interface Figure {
  readonly key: 'bendDeg' | 'armsDeg' | 'standSeconds';
  readonly label: string;
  readonly unit: string;
  readonly max: number;
  /** Shown in this many of what is stored. */
  readonly per: number;
}

const NextSchema = z.object({ words: z.string() });

/** What a teacher lets act beside the list: words, and how far a student goes. */
@Component({
  selector: 'pk-own-limits',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, FormsModule, InputText, NumberField, Select, TextField],
  template: `
    @if (edit().draft(); as it) {
      @for (own of it.ownLimits; track own.id) {
        <fieldset class="own">
          <legend class="hidden-text">Limit: {{ own.words }}</legend>
          <div class="row top">
            <div class="field grow">
              <label [for]="'own-' + own.id">What it is</label>
              <input
                pInputText
                maxlength="80"
                [id]="'own-' + own.id"
                [pkText]="own.words"
                (pkTextChange)="edit().type(['ownLimits', { id: own.id }, 'words'], $event)"
              />
            </div>
            <div class="field">
              <span class="label">Side</span>
              <p-select
                [options]="sides"
                optionLabel="label"
                optionValue="value"
                [ngModel]="own.side"
                (ngModelChange)="edit().set(['ownLimits', { id: own.id }, 'side'], $event)"
                [ariaLabel]="'Side of ' + own.words"
                appendTo="body"
              />
            </div>
            <p-button
              icon="pi pi-times"
              variant="text"
              severity="secondary"
              [ariaLabel]="'Remove the limit ' + own.words"
              (onClick)="remove(own.id, own.words)"
            />
          </div>
          <div class="row top">
            @for (figure of figures; track figure.key) {
              <pk-number
                [label]="figure.label"
                [unit]="figure.unit"
                [optional]="true"
                [whole]="figure.per === 1"
                [min]="figure.per === 1 ? 0 : 0.1"
                [max]="figure.max"
                [step]="figure.per === 1 ? 5 : 0.5"
                [value]="own[figure.key] === null ? null : own[figure.key]! / figure.per"
                (valueChange)="
                  edit().set(
                    ['ownLimits', { id: own.id }, figure.key],
                    $event === null ? null : Math.round($event * figure.per)
                  )
                "
              />
            }
          </div>
          <div class="row">
            @for (ban of bans; track ban.key) {
              <span class="tick">
                <p-checkbox
                  [inputId]="ban.key + '-' + own.id"
                  [binary]="true"
                  [ngModel]="own[ban.key]"
                  (ngModelChange)="edit().set(['ownLimits', { id: own.id }, ban.key], $event)"
                />
                <label [for]="ban.key + '-' + own.id">{{ ban.label }}</label>
              </span>
            }
          </div>
        </fieldset>
      }
      @if (it.ownLimits.length < most) {
        <div class="row top">
          <div class="field grow">
            <label for="own-new">Something else that limits</label>
            <input
              pInputText
              id="own-new"
              maxlength="80"
              placeholder="in your own words"
              [pkText]="words()"
              (pkTextChange)="type($event)"
              (keydown.enter)="add()"
            />
          </div>
          <p-button label="Set its limits" variant="outlined" [disabled]="words().trim() === ''" (onClick)="add()" />
        </div>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.75rem;
    }
    .top {
      align-items: flex-end;
    }
    .grow {
      flex: 1 1 12rem;
    }
    .own {
      display: grid;
      gap: 0.5rem;
      margin: 0;
      padding: 0.75rem;
      border: 1px solid var(--pk-line);
      border-radius: 6px;
    }
    .tick {
      display: inline-flex;
      gap: 0.4rem;
      align-items: center;
    }
  `,
})
export class OwnLimitsForm {
  private readonly clock = inject(Clock);
  readonly edit = input.required<Editing<'students'>>();
  /** What is typed for the next one: it outlives leaving. */
  private readonly next = keptDraft(() => `limit ${this.edit().draft()?.id ?? ''}`, NextSchema, { words: '' });
  protected readonly words = computed(() => this.next.value().words);
  protected readonly most = 8;
  protected readonly Math = Math;
  protected readonly sides = [
    { label: 'both, or no matter', value: null },
    { label: 'left', value: 'left' },
    { label: 'right', value: 'right' },
  ];
  protected readonly figures: readonly Figure[] = [
    { key: 'bendDeg', label: 'Bend at most', unit: '°', max: 150, per: 1 },
    { key: 'armsDeg', label: 'Arms at most', unit: '°', max: 180, per: 1 },
    { key: 'standSeconds', label: 'A stand at most', unit: 'min', max: 120, per: 60 },
  ];
  protected readonly bans = [
    { key: 'noLift', label: 'no foot lifted' },
    { key: 'noHeldBreath', label: 'no held breath' },
    { key: 'noHeadLow', label: 'head not below the heart' },
  ] as const;

  protected type(words: string): void {
    this.next.set({ words });
  }

  protected add(): void {
    const words = this.words().trim();
    if (words === '') return;
    const own = OwnLimitsSchema.parse({ id: this.clock.newId(), words });
    this.next.clear();
    void this.edit().change(`Limit: ${words}`, (stored) => ({ ...stored, ownLimits: [...stored.ownLimits, own] }));
  }

  protected remove(id: string, words: string): void {
    void this.edit().change(`Remove the limit: ${words}`, (stored) => ({
      ...stored,
      ownLimits: stored.ownLimits.filter((own) => own.id !== id),
    }));
  }
}
