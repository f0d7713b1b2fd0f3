import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { palms, type Hand, type Keyframe, type Phase } from '@pomek/core';
import { patchOf, type Patch } from '../data/patch';
import { NumberField } from '../ui/number-field';

const still: Keyframe = {
  weight: 0.5,
  turnDeg: 0,
  bendDeg: null,
  stanceWidth: null,
  ahead: null,
  lifted: 'none',
  palm: null,
  otherPalm: null,
  heel: 'none',
  toesOutDeg: null,
  otherToesOutDeg: null,
  hand: null,
  otherHand: null,
};
const phaseAt = patchOf<Phase>();
const middle: Hand = { out: 0.3, forward: 0.8, up: 0.5 };
const limits: readonly { key: keyof Hand; label: string; min: number; max: number }[] = [
  { key: 'out', label: 'out from the middle', min: -2, max: 3 },
  { key: 'forward', label: 'before the hips', min: -1, max: 3 },
  { key: 'up', label: 'up (0 hips, 1 shoulders)', min: -1.2, max: 2.6 },
];

/** How the body stands at the end of one part of a cycle. */
@Component({
  selector: 'pk-keyframe',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, NumberField, Select],
  template: `
    @let it = frame();
    <fieldset>
      <legend class="small soft">How the body stands at the end of part {{ part() }}</legend>
      @if (it === null) {
        <p class="small soft">Not said: this part is timed, but the figure does not move.</p>
        <p-button label="Say how it stands" size="small" variant="outlined" (onClick)="say(still)" />
      } @else {
        <div class="row top">
          <div class="field">
            <span class="label">Weight</span>
            <p-select
              [options]="weights"
              optionLabel="label"
              optionValue="value"
              [ngModel]="weightKind()"
              (ngModelChange)="setWeight($event)"
              [ariaLabel]="'Weight at the end of part ' + part()"
              appendTo="body"
            />
          </div>
          @if (weightKind() === 'share') {
            <pk-number
              label="On the working leg"
              unit="%"
              [max]="100"
              [value]="percent()"
              (valueChange)="set('weight', ($event ?? 50) / 100)"
            />
          }
          <pk-number
            label="Pelvis turned"
            unit="°"
            [min]="-90"
            [max]="90"
            [value]="it.turnDeg"
            (valueChange)="set('turnDeg', $event ?? 0)"
          />
          <pk-number
            label="Bend (empty: the posture’s)"
            unit="°"
            [max]="150"
            [optional]="true"
            [value]="it.bendDeg"
            (valueChange)="set('bendDeg', $event)"
          />
          <pk-number
            label="Width (empty: the posture’s)"
            unit="×"
            [max]="4"
            [step]="0.1"
            [whole]="false"
            [optional]="true"
            [value]="it.stanceWidth"
            (valueChange)="set('stanceWidth', $event)"
          />
          <pk-number
            label="Foot ahead (empty: the posture’s)"
            unit="×"
            [min]="-6"
            [max]="6"
            [step]="0.1"
            [whole]="false"
            [optional]="true"
            [value]="it.ahead"
            (valueChange)="set('ahead', $event)"
          />
          <div class="field">
            <span class="label">Foot off the floor</span>
            <p-select
              [options]="lifts"
              optionLabel="label"
              optionValue="value"
              [ngModel]="it.lifted"
              (ngModelChange)="set('lifted', $event)"
              [ariaLabel]="'Foot off the floor in part ' + part()"
              appendTo="body"
            />
          </div>
        </div>
        <div class="row top">
          <div class="field">
            <span class="label">Heel up, ball down</span>
            <p-select
              [options]="heels"
              optionLabel="label"
              optionValue="value"
              [ngModel]="it.heel"
              (ngModelChange)="set('heel', $event)"
              [ariaLabel]="'Heel that is up in part ' + part()"
              appendTo="body"
            />
          </div>
          <pk-number
            label="Toes out (empty: the posture’s)"
            unit="°"
            [min]="-60"
            [max]="90"
            [optional]="true"
            [value]="it.toesOutDeg"
            (valueChange)="set('toesOutDeg', $event)"
          />
          <pk-number
            label="Toes of the other foot (empty: the posture’s)"
            unit="°"
            [min]="-60"
            [max]="90"
            [optional]="true"
            [value]="it.otherToesOutDeg"
            (valueChange)="set('otherToesOutDeg', $event)"
          />
        </div>
        @for (hand of hands; track hand.key) {
          @let spot = it[hand.key];
          <div class="row top">
            <div class="field">
              <span class="label">{{ hand.name }}, palm</span>
              <p-select
                [options]="palms"
                optionLabel="label"
                optionValue="value"
                [ngModel]="it[hand.palm]"
                (ngModelChange)="set(hand.palm, $event)"
                [ariaLabel]="hand.name + ': where its palm faces in part ' + part()"
                appendTo="body"
              />
            </div>
            @if (spot === null) {
              <p-button
                [label]="'Place the ' + hand.name"
                size="small"
                variant="text"
                (onClick)="set(hand.key, middle)"
              />
            } @else {
              @for (limit of limits; track limit.key) {
                <pk-number
                  [label]="hand.name + ' ' + limit.label"
                  [min]="limit.min"
                  [max]="limit.max"
                  [step]="0.05"
                  [whole]="false"
                  [value]="spot[limit.key]"
                  (valueChange)="move(hand.key, limit.key, $event)"
                />
              }
              <p-button label="As the posture has it" size="small" variant="text" (onClick)="set(hand.key, null)" />
            }
          </div>
        }
        <p-button label="Leave it unsaid" size="small" variant="text" (onClick)="say(null)" />
      }
    </fieldset>
  `,
  styles: `
    fieldset {
      border: 0;
      border-left: 3px solid var(--pk-line);
      margin: 0;
      padding: 0 0 0 1rem;
      display: grid;
      gap: 0.5rem;
    }
    .top {
      align-items: flex-end;
    }
  `,
})
export class KeyframeEditor {
  readonly part = input.required<number>();
  readonly frame = input.required<Keyframe | null>();
  /** One value of the keyframe that was typed, or the whole of it said or unsaid. */
  readonly typed = output<Patch>();

  protected readonly still = still;
  protected readonly middle = middle;
  protected readonly limits = limits;
  protected readonly hands = [
    { key: 'hand', palm: 'palm', name: 'Working hand' },
    { key: 'otherHand', palm: 'otherPalm', name: 'Other hand' },
  ] as const;
  protected readonly weights = [
    { label: 'full, as the school shifts', value: 'full' },
    { label: 'empty, as the school shifts', value: 'empty' },
    { label: 'a share of its own', value: 'share' },
  ];
  protected readonly lifts = [
    { label: 'neither', value: 'none' },
    { label: 'the working foot', value: 'working' },
    { label: 'the other foot', value: 'other' },
  ];
  protected readonly heels = [
    { label: 'neither', value: 'none' },
    { label: 'of the working foot', value: 'working' },
    { label: 'of the other foot', value: 'other' },
    { label: 'of both', value: 'both' },
  ];
  protected readonly palms = [
    { label: 'not said', value: null },
    ...palms.map((palm) => ({ label: palm, value: palm })),
  ];
  protected readonly weightKind = computed(() => {
    const weight = this.frame()?.weight;
    return typeof weight === 'string' ? weight : 'share';
  });
  protected readonly percent = computed(() => {
    const weight = this.frame()?.weight;
    return typeof weight === 'number' ? Math.round(weight * 100) : 50;
  });

  protected setWeight(kind: 'full' | 'empty' | 'share'): void {
    this.set('weight', kind === 'share' ? 0.5 : kind);
  }

  protected move(hand: 'hand' | 'otherHand', key: keyof Hand, value: number | null): void {
    if (value !== null) this.typed.emit(phaseAt(['end', hand, key], value));
  }

  protected set<K extends keyof Keyframe>(key: K, value: Keyframe[K]): void {
    this.typed.emit({ at: ['end', key], value });
  }

  protected say(frame: Keyframe | null): void {
    this.typed.emit(phaseAt(['end'], frame));
  }
}
