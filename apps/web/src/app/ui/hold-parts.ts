import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { durationWords, holdParts, type Dose, type HoldDose } from '@pomek/core';
import { patchOf, type Patch } from '../data/patch';
import { NumberField } from './number-field';
import { TextField } from './text-field';

const MOST = 12;
let count = 0;
const doseAt = patchOf<HoldDose>();

/** The parts of a hold: where the attention is, one after the other, each for its share of the time. */
@Component({
  selector: 'pk-hold-parts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, InputText, NumberField, TextField],
  template: `
    <span class="label">Parts of the hold: where the attention is</span>
    @for (part of rows(); track $index; let nth = $index) {
      <div class="part">
        <label class="hidden-text" [for]="id + nth">Part {{ nth + 1 }} of the hold</label>
        <input
          pInputText
          maxlength="120"
          [id]="id + nth"
          [pkText]="part.words"
          (pkTextChange)="setWords(nth, $event)"
        />
        <pk-number
          [label]="'Parts of the time, part ' + (nth + 1)"
          [quiet]="true"
          [min]="0.5"
          [max]="20"
          [step]="0.5"
          [whole]="false"
          [value]="part.share"
          (valueChange)="setShare(nth, $event)"
        />
        <span class="small soft num">{{ part.time }}</span>
        <p-button icon="pi pi-times" variant="text" [ariaLabel]="'Remove part ' + (nth + 1)" (onClick)="remove(nth)" />
      </div>
    } @empty {
      @if (usual() !== '') {
        <span class="small soft">As the exercise has them: {{ usual() }}</span>
      }
    }
    <p-button
      label="Add a part"
      icon="pi pi-plus"
      variant="text"
      size="small"
      [disabled]="rows().length >= most"
      (onClick)="add()"
    />
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.25rem;
      justify-items: start;
    }
    .part {
      display: flex;
      align-items: center;
      gap: 0.5rem;
    }
    .part input {
      width: 16rem;
      max-width: 100%;
    }
  `,
})
export class HoldParts {
  readonly dose = input.required<HoldDose>();
  /** Where the exercise has the attention. */
  readonly attention = input.required<readonly string[]>();
  /** One value that was typed. */
  readonly typed = output<Patch>();
  readonly changed = output<(dose: Dose) => Dose>();

  protected readonly most = MOST;
  protected readonly id = `hold-part-${(count += 1)}-`;
  protected readonly rows = computed(() => {
    const dose = this.dose();
    const shares = holdParts(dose, { attention: [] });
    return dose.parts.map((part, nth) => ({
      ...part,
      time: durationWords(Math.round(shares[nth]!.share * dose.holdSeconds)),
    }));
  });
  protected readonly usual = computed(() => this.attention().join(', '));

  protected setWords(nth: number, words: string): void {
    this.typed.emit({ ...doseAt(['parts', nth, 'words'], words), letters: true });
  }

  protected setShare(nth: number, share: number | null): void {
    if (share !== null) this.typed.emit(doseAt(['parts', nth, 'share'], share));
  }

  /** The first press takes the exercise's own, so that they can be changed. */
  protected add(): void {
    const own = this.attention().map((words) => ({ words, share: 1 }));
    this.changed.emit((dose) => {
      if (dose.kind !== 'hold' || dose.parts.length >= MOST) return dose;
      const parts =
        dose.parts.length === 0 && own.length > 0 ? own : [...dose.parts, { words: 'whole body', share: 1 }];
      return { ...dose, parts };
    });
  }

  protected remove(nth: number): void {
    this.changed.emit((dose) =>
      dose.kind === 'hold' ? { ...dose, parts: dose.parts.filter((_, index) => index !== nth) } : dose,
    );
  }
}
