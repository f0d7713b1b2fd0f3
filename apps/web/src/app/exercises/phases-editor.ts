import { ChangeDetectionStrategy, Component, computed, input, model, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { MultiSelect } from 'primeng/multiselect';
import { Select } from 'primeng/select';
import {
  addUp,
  evenedParts,
  MOST_PARTS,
  upperFirst,
  withNewPart,
  withoutPart,
  type Checkpoint,
  type Phase,
} from '@pomek/core';
import type { Patch } from '../data/patch';
import { NumberField } from '../ui/number-field';
import { TextField } from '../ui/text-field';
import { KeyframeEditor } from './keyframe-editor';
import type { StandPlace } from './stand-place';

/** The named parts of a cycle, their share of its time and the breath that may go with them. */
@Component({
  selector: 'pk-phases',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, InputText, KeyframeEditor, MultiSelect, NumberField, Select, TextField],
  template: `
    <div class="stack">
      @for (phase of phases(); track $index) {
        <div class="row">
          <input
            pInputText
            class="name"
            [attr.aria-label]="'Part ' + ($index + 1)"
            [pkText]="phase.name"
            (pkTextChange)="rename($index, $event)"
            maxlength="200"
          />
          <pk-number
            label="Share of the cycle"
            [quiet]="true"
            unit="%"
            [min]="1"
            [max]="100"
            [value]="percent(phase.share)"
            (valueChange)="setShare($index, $event)"
          />
          <p-select
            [options]="breaths"
            optionLabel="label"
            optionValue="value"
            [ngModel]="phase.breath"
            (ngModelChange)="set($index, 'breath', $event)"
            [ariaLabel]="'Breath in part ' + ($index + 1)"
            appendTo="body"
          />
          <p-button
            icon="pi pi-times"
            variant="text"
            [ariaLabel]="'Remove part ' + ($index + 1)"
            (onClick)="remove($index)"
          />
          <p-button
            [label]="phase.end === null ? 'Movement…' : 'Movement'"
            [variant]="phase.end === null ? 'text' : 'outlined'"
            size="small"
            [ariaLabel]="'Movement of part ' + ($index + 1)"
            [attr.aria-expanded]="open() === $index"
            (onClick)="selected.set(open() === $index ? null : { part: $index, via: null })"
          />
        </div>
        @if (directed() || phase.reversed !== '') {
          <div class="row">
            <label class="small soft" [for]="'reversed-' + $index"
              >The other way round<span class="hidden-text">, part {{ $index + 1 }}</span></label
            >
            <input
              pInputText
              class="name"
              [id]="'reversed-' + $index"
              maxlength="200"
              [pkText]="phase.reversed"
              (pkTextChange)="typed.emit({ at: [$index, 'reversed'], value: $event, letters: true })"
            />
          </div>
        }
        @if (open() === $index) {
          <pk-number
            label="Breaths held in it"
            [max]="20"
            [value]="phase.heldBreaths"
            (valueChange)="setHeld($index, $event)"
          />
          <div class="row">
            <label class="small soft" [for]="'called-' + $index"
              >Called aloud<span class="hidden-text">, part {{ $index + 1 }}</span></label
            >
            <input
              pInputText
              class="name"
              maxlength="60"
              placeholder="a few words: the legs, a comma, the hands"
              [id]="'called-' + $index"
              [pkText]="phase.call"
              (pkTextChange)="typed.emit({ at: [$index, 'call'], value: $event, letters: true })"
            />
            @if (directed()) {
              <input
                pInputText
                class="name"
                maxlength="60"
                placeholder="and the other way round"
                [attr.aria-label]="'Called aloud the other way round, part ' + ($index + 1)"
                [pkText]="phase.callReversed"
                (pkTextChange)="typed.emit({ at: [$index, 'callReversed'], value: $event, letters: true })"
              />
            }
          </div>
          @if (points().length > 0) {
            <div class="row">
              <label class="small soft" [for]="'looked-at-' + $index"
                >Checkpoints looked at in it<span class="hidden-text">, part {{ $index + 1 }}</span></label
              >
              <p-multiselect
                class="name"
                [inputId]="'looked-at-' + $index"
                [options]="points()"
                optionLabel="label"
                optionValue="value"
                [showToggleAll]="false"
                placeholder="none: their cues come at any part"
                [ngModel]="phase.points"
                (ngModelChange)="set($index, 'points', $event)"
                appendTo="body"
              />
            </div>
          }
          <pk-keyframe
            [part]="$index + 1"
            [via]="selected()!.via"
            [frame]="frameOf(phase)"
            (typed)="below($index, $event)"
          />
        }
      }
      <div class="row">
        <p-button
          label="Add a part"
          icon="pi pi-plus"
          variant="outlined"
          size="small"
          [disabled]="phases().length >= most"
          (onClick)="add()"
        />
        @if (uneven()) {
          <p-button label="Make them add up to 100 %" variant="text" size="small" (onClick)="even()" />
        }
      </div>
    </div>
  `,
  styles: `
    .name {
      flex: 1 1 14rem;
    }
  `,
})
export class PhasesEditor {
  readonly phases = input.required<readonly Phase[]>();
  /** The drill has a forward and a reversed way. */
  readonly directed = input(false);
  /** The checkpoints of the drill: each may be looked at in some parts only. */
  readonly checkpoints = input<readonly Checkpoint[]>([]);
  /** One value of one part that was typed. */
  readonly typed = output<Patch>();
  /** What is done with the parts as a whole. */
  readonly changed = output<(phases: readonly Phase[]) => Phase[]>();
  protected readonly most = MOST_PARTS;
  /** The position that is written. */
  readonly selected = model<StandPlace | null>(null);
  protected readonly open = computed(() => this.selected()?.part ?? null);
  protected readonly breaths = [
    { label: 'breath in', value: 'in' },
    { label: 'breath out', value: 'out' },
    { label: 'free', value: 'free' },
  ];
  protected readonly uneven = computed(() => !addUp(this.phases()));

  protected readonly points = computed(() =>
    this.checkpoints().map(({ id, region, wanted }) => ({ value: id, label: `${upperFirst(region)}: ${wanted}` })),
  );

  protected frameOf({ via, end }: Phase) {
    const at = this.selected()?.via ?? null;
    return at === null ? end : (via[at] ?? null);
  }

  protected percent(share: number): number {
    return Math.round(share * 100);
  }

  protected set<K extends keyof Phase>(index: number, key: K, value: Phase[K]): void {
    this.typed.emit({ at: [index, key], value });
  }

  protected rename(index: number, name: string): void {
    this.typed.emit({ at: [index, 'name'], value: name, letters: true });
  }

  protected below(index: number, patch: Patch): void {
    this.typed.emit({ ...patch, at: [index, ...patch.at] });
  }

  protected setShare(index: number, percent: number | null): void {
    if (percent !== null) this.set(index, 'share', percent / 100);
  }

  protected setHeld(index: number, breaths: number | null): void {
    if (breaths !== null) this.set(index, 'heldBreaths', breaths);
  }

  protected remove(index: number): void {
    this.selected.set(null);
    this.changed.emit((phases) => withoutPart(phases, index));
  }

  protected add(): void {
    this.changed.emit(withNewPart);
  }

  protected even(): void {
    this.changed.emit(evenedParts);
  }
}
