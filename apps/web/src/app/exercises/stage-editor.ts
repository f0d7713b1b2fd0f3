import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { MultiSelect } from 'primeng/multiselect';
import { Select } from 'primeng/select';
import { Textarea } from 'primeng/textarea';
import {
  handPlaces,
  plainStagePosture,
  regions,
  upperFirst,
  type BreathPattern,
  type Exercise,
  type Stage,
  type StagePosture,
} from '@pomek/core';
import { patchOf, type Patch } from '../data/patch';
import { linesOf } from '../ui/lines';
import { NumberField } from '../ui/number-field';
import { TextField } from '../ui/text-field';

const stageAt = patchOf<Stage>();

interface PostureField {
  readonly key: 'kneeBendDeg' | 'weightShare' | 'shoulderRaiseDeg' | 'elbowBendDeg' | 'ahead' | 'stanceWidth';
  readonly label: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  /** So many of its units make one of the posture's. */
  readonly units: number;
}
const postureFields: readonly PostureField[] = [
  { key: 'kneeBendDeg', label: 'Bend', unit: '°', min: 0, max: 150, units: 1 },
  { key: 'weightShare', label: 'On the working leg', unit: '%', min: 50, max: 100, units: 100 },
  { key: 'shoulderRaiseDeg', label: 'Arms', unit: '°', min: 0, max: 180, units: 1 },
  { key: 'elbowBendDeg', label: 'Elbows', unit: '°', min: 0, max: 160, units: 1 },
  { key: 'ahead', label: 'Foot ahead', unit: '× its length', min: 0, max: 6, units: 1 },
  { key: 'stanceWidth', label: 'Width', unit: '× shoulders', min: 0, max: 4, units: 1 },
];
const breathFields: readonly { readonly key: keyof BreathPattern; readonly label: string }[] = [
  { key: 'inSeconds', label: 'Breathe in' },
  { key: 'fullPauseSeconds', label: 'Rest, full' },
  { key: 'outSeconds', label: 'Breathe out' },
  { key: 'emptyPauseSeconds', label: 'Rest, empty' },
];

/** One stage of a drill: its words, its sign, and what of the drill it changes. */
@Component({
  selector: 'pk-stage',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, FormsModule, InputText, MultiSelect, NumberField, Select, TextField, Textarea],
  template: `
    @let it = stage();
    <div class="row stage">
      <input
        pInputText
        class="name"
        maxlength="80"
        [attr.aria-label]="'Stage ' + number()"
        [pkText]="it.name"
        (pkTextChange)="text('name', $event)"
      />
      <input
        pInputText
        class="words"
        maxlength="600"
        placeholder="what is done in it"
        [attr.aria-label]="'Done in stage ' + number()"
        [pkText]="it.words"
        (pkTextChange)="text('words', $event)"
      />
      <input
        pInputText
        class="words"
        maxlength="300"
        placeholder="go on when …"
        [attr.aria-label]="'Go on from stage ' + number() + ' when'"
        [pkText]="it.next"
        (pkTextChange)="text('next', $event)"
      />
      <p-button
        [icon]="open() ? 'pi pi-chevron-up' : 'pi pi-sliders-h'"
        variant="text"
        [ariaLabel]="'What stage ' + number() + ' changes'"
        [ariaExpanded]="open()"
        (onClick)="open.set(!open())"
      />
      <p-button icon="pi pi-times" variant="text" [ariaLabel]="'Remove stage ' + number()" (onClick)="removed.emit()" />
    </div>
    @if (open()) {
      <fieldset>
        <legend class="small soft">What stage {{ number() }} changes; the rest is as in the whole exercise</legend>
        @if (moving()) {
          <div class="row">
            <div class="field">
              <span class="label">What moves</span>
              <p-select
                [options]="moves"
                optionLabel="label"
                optionValue="value"
                [ngModel]="it.moves"
                (ngModelChange)="set('moves', $event)"
                [ariaLabel]="'What moves in stage ' + number()"
                appendTo="body"
              />
            </div>
            <div class="field">
              <span class="label">Hands</span>
              <p-select
                [options]="hands"
                optionLabel="label"
                optionValue="value"
                [ngModel]="it.hands"
                (ngModelChange)="set('hands', $event)"
                [ariaLabel]="'Hands in stage ' + number()"
                appendTo="body"
              />
            </div>
            @if (drill().hasDirections) {
              <div class="field">
                <span class="label">Ways</span>
                <p-select
                  [options]="ways"
                  optionLabel="label"
                  optionValue="value"
                  [ngModel]="it.way"
                  (ngModelChange)="set('way', $event)"
                  [ariaLabel]="'Ways in stage ' + number()"
                  appendTo="body"
                />
              </div>
            }
            <pk-number
              label="How far it goes"
              unit="%"
              [min]="10"
              [max]="100"
              [value]="percent(it.size)"
              (valueChange)="setSize($event)"
            />
            <div class="check">
              <p-checkbox
                [binary]="true"
                [inputId]="'stops-' + number()"
                [ngModel]="it.stops"
                (ngModelChange)="set('stops', $event)"
              />
              <label [for]="'stops-' + number()">A stop after each part</label>
            </div>
          </div>
          <p class="small soft">
            Write a part as what the legs do, a semicolon, what the hands do: each is said only where it moves.
          </p>
        }
        @if (!drill().posture.seated) {
          <div class="row">
            @for (field of postures; track field.key) {
              <pk-number
                [label]="field.label"
                [unit]="field.unit"
                [min]="field.min"
                [max]="field.max"
                [step]="field.max < 10 ? 0.1 : 1"
                [whole]="field.max >= 10"
                [optional]="true"
                [value]="valueOf(field)"
                (valueChange)="setPosture(field, $event)"
              />
            }
            <div class="field">
              <span class="label">Hands rest</span>
              <p-select
                [options]="places"
                optionLabel="label"
                optionValue="value"
                [ngModel]="it.posture?.handsOn ?? null"
                (ngModelChange)="stood('handsOn', $event)"
                [ariaLabel]="'Where the hands rest in stage ' + number()"
                appendTo="body"
              />
            </div>
            @if (drill().posture.otherLifted) {
              <div class="check">
                <p-checkbox
                  [binary]="true"
                  [inputId]="'down-' + number()"
                  [ngModel]="it.posture?.otherLifted === false"
                  (ngModelChange)="stood('otherLifted', $event ? false : null)"
                />
                <label [for]="'down-' + number()">The other foot stays on the floor</label>
              </div>
            }
          </div>
        }
        @if (drill().defaultDose.kind === 'breath') {
          <div class="row">
            <div class="check">
              <p-checkbox
                [binary]="true"
                [inputId]="'paced-' + number()"
                [ngModel]="it.pattern !== null"
                (ngModelChange)="pace($event)"
              />
              <label [for]="'paced-' + number()">A pace of its own</label>
            </div>
            @if (it.pattern; as pattern) {
              @for (field of breaths; track field.key) {
                <pk-number
                  [label]="field.label"
                  unit="s"
                  [max]="120"
                  [step]="0.5"
                  [whole]="false"
                  [value]="pattern[field.key]"
                  (valueChange)="setPace(field.key, $event)"
                />
              }
            }
          </div>
        }
        <div class="row wide">
          <div class="field">
            <label [for]="'regions-' + number()">Only these are looked at, and what can hurt</label>
            <p-multiselect
              [inputId]="'regions-' + number()"
              [options]="regions"
              optionLabel="label"
              optionValue="value"
              [showToggleAll]="false"
              placeholder="all checkpoints"
              [ngModel]="it.regions"
              (ngModelChange)="set('regions', $event)"
              appendTo="body"
            />
          </div>
          @if (!moving()) {
            <div class="field">
              <label [for]="'places-' + number()">Where the attention goes, a line each</label>
              <textarea
                pTextarea
                rows="2"
                [id]="'places-' + number()"
                [pkText]="it.attention.join(newLine)"
                (pkTextChange)="set('attention', lines($event))"
              ></textarea>
            </div>
          }
        </div>
      </fieldset>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    .stage {
      flex-wrap: wrap;
    }
    .name {
      flex: 1 1 9rem;
      min-width: 0;
    }
    .words {
      flex: 2 1 13rem;
      min-width: 0;
    }
    fieldset {
      display: grid;
      gap: 0.75rem;
      border: 0;
      border-left: 3px solid var(--pk-line);
      margin: 0 0 0.5rem;
      padding: 0 0 0 0.75rem;
      min-width: 0;
    }
    .row {
      align-items: end;
      gap: 0.75rem 1rem;
    }
    .check {
      display: flex;
      align-items: center;
      gap: 0.5rem;
      min-height: 2.75rem;
    }
    .wide .field {
      flex: 1 1 16rem;
      min-width: 0;
    }
  `,
})
export class StageEditor {
  readonly stage = input.required<Stage>();
  /** From 1. */
  readonly number = input.required<number>();
  readonly drill = input.required<Exercise>();
  /** One value of it that was typed. */
  readonly typed = output<Patch>();
  readonly removed = output();

  protected readonly open = signal(false);
  protected readonly newLine = '\n';
  protected readonly lines = linesOf;
  protected readonly postures = postureFields;
  protected readonly breaths = breathFields;
  protected readonly moving = computed(() => this.drill().phases.length > 0);
  protected readonly moves: { label: string; value: Stage['moves'] }[] = [
    { label: 'All of it', value: 'all' },
    { label: 'The legs, hands at rest', value: 'legs' },
    { label: 'The shift alone', value: 'shift' },
    { label: 'The turn alone', value: 'turn' },
    { label: 'The arms, standing still', value: 'arms' },
  ];
  protected readonly hands: { label: string; value: Stage['hands'] }[] = [
    { label: 'Both', value: 'both' },
    { label: 'The working hand', value: 'working' },
    { label: 'The other hand', value: 'other' },
  ];
  protected readonly ways: { label: string; value: Stage['way'] }[] = [
    { label: 'As it is dosed', value: 'either' },
    { label: 'Forward', value: 'forward' },
    { label: 'Reversed', value: 'reversed' },
  ];
  protected readonly places = [
    { label: 'As in the exercise', value: null },
    ...handPlaces.map((value) => ({ label: upperFirst(value), value })),
  ];
  protected readonly regions = regions.map((value) => ({ label: upperFirst(value), value }));

  protected set<K extends keyof Stage>(key: K, value: Stage[K]): void {
    this.typed.emit({ at: [key], value });
  }

  protected text(key: 'name' | 'words' | 'next', value: string): void {
    this.typed.emit({ at: [key], value, letters: true });
  }

  protected percent(share: number): number {
    return Math.round(share * 100);
  }

  protected setSize(percent: number | null): void {
    this.set('size', (percent ?? 100) / 100);
  }

  protected valueOf({ key, units }: PostureField): number | null {
    const value = this.stage().posture?.[key] ?? null;
    return value === null ? null : Math.round(value * units * 100) / 100;
  }

  protected setPosture({ key, units }: PostureField, value: number | null): void {
    this.stood(key, value === null ? null : value / units);
  }

  protected stood<K extends keyof StagePosture>(key: K, value: StagePosture[K]): void {
    this.typed.emit({ at: ['posture', key], value, create: plainStagePosture });
  }

  protected pace(own: boolean): void {
    const { defaultDose } = this.drill();
    if (defaultDose.kind !== 'breath') return;
    this.set('pattern', own ? defaultDose.pattern : null);
  }

  protected setPace(key: keyof BreathPattern, seconds: number | null): void {
    if (seconds !== null) this.typed.emit(stageAt(['pattern', key], seconds));
  }
}
