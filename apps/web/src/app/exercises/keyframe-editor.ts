import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import {
  handPlaces,
  palms,
  plainArm,
  plainFrame,
  plainHead,
  plainShape,
  plainTrunk,
  type ArmShape,
  type Hand,
  type HeadShape,
  type Keyframe,
  type Shape,
  type TrunkShape,
} from '@pomek/core';
import type { Patch, Step } from '../data/patch';
import { NumberField } from '../ui/number-field';

const middle: Hand = { out: 0.3, forward: 0.8, up: 0.5 };
const limits: readonly { key: keyof Hand; label: string; unit: string; min: number; max: number }[] = [
  { key: 'out', label: 'out from the middle', unit: '× shoulder width', min: -2, max: 3 },
  { key: 'forward', label: 'in front of the hips', unit: '× shoulder width', min: -1, max: 3 },
  { key: 'up', label: 'up (0 hips, 1 shoulders)', unit: '× trunk', min: -1.2, max: 2.6 },
];

/** One position of a repetition in numbers: how the body stands at the end of a part, or on its way. */
@Component({
  selector: 'pk-keyframe',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, NumberField, Select],
  template: `
    @let it = frame();
    <fieldset>
      <legend class="small soft">{{ heading() }}</legend>
      @if (it === null) {
        <p class="small soft">No position set: the figure does not move in this part.</p>
        <p-button label="Set a position" size="small" variant="outlined" (onClick)="say(plain)" />
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
            @if (spot === null || armOf(hand.arm).on !== null) {
              <p-button
                [label]="'Place the ' + hand.name.toLowerCase()"
                size="small"
                variant="text"
                (onClick)="place(hand.key, hand.arm)"
              />
            } @else {
              @for (limit of limits; track limit.key) {
                <pk-number
                  [label]="hand.name + ' ' + limit.label"
                  [unit]="limit.unit"
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
        <details>
          <summary>Trunk, head, arms and knees</summary>
          <div class="row top">
            @for (field of trunkFields; track field.key) {
              <pk-number
                [label]="field.label"
                unit="°"
                [min]="field.min"
                [max]="field.max"
                [optional]="field.key === 'leanDeg'"
                [value]="trunk()[field.key]"
                (valueChange)="setTrunk(field.key, $event)"
              />
            }
          </div>
          <div class="row top">
            <div class="field">
              <span class="label">Head</span>
              <p-select
                [options]="gazes"
                optionLabel="label"
                optionValue="value"
                [ngModel]="shape().head !== null"
                (ngModelChange)="setShape('head', $event ? plainHead : null)"
                [ariaLabel]="'Head in part ' + part()"
                appendTo="body"
              />
            </div>
            @if (shape().head; as head) {
              @for (field of headFields; track field.key) {
                <pk-number
                  [label]="field.label"
                  unit="°"
                  [min]="field.min"
                  [max]="field.max"
                  [value]="head[field.key]"
                  (valueChange)="setHead(field.key, $event)"
                />
              }
            }
          </div>
          @for (side of arms; track side.key) {
            @let arm = armOf(side.key);
            <div class="row top">
              <div class="field">
                <span class="label">{{ side.name }} lies on</span>
                <p-select
                  [options]="places"
                  optionLabel="label"
                  optionValue="value"
                  [ngModel]="arm.on"
                  (ngModelChange)="setArm(side.key, 'on', $event)"
                  [ariaLabel]="side.name + ': what it lies on in part ' + part()"
                  appendTo="body"
                />
              </div>
              @if (arm.on !== null) {
                <div class="field">
                  <span class="label">with its</span>
                  <p-select
                    [options]="sidesOfHand"
                    optionLabel="label"
                    optionValue="value"
                    [ngModel]="arm.laid"
                    (ngModelChange)="setArm(side.key, 'laid', $event)"
                    [ariaLabel]="side.name + ': which side of it lies there in part ' + part()"
                    appendTo="body"
                  />
                </div>
              }
              @for (field of armFields; track field.key) {
                <pk-number
                  [label]="side.name + ': ' + field.label"
                  [unit]="field.unit"
                  [min]="field.min"
                  [max]="field.max"
                  [value]="round(arm[field.key] * field.scale)"
                  (valueChange)="setArm(side.key, field.key, ($event ?? 0) / field.scale)"
                />
              }
            </div>
          }
          <div class="row top">
            <pk-number
              label="Knees swung to the working side"
              unit="°"
              [min]="-25"
              [max]="25"
              [value]="shape().kneesAsideDeg"
              (valueChange)="setShape('kneesAsideDeg', $event ?? 0)"
            />
            <pk-number
              label="Pressure from the heel (empty: the posture’s)"
              unit="%"
              [max]="100"
              [optional]="true"
              [value]="pressure()"
              (valueChange)="setShape('pressurePoint', $event === null ? null : $event / 100)"
            />
            <pk-number
              label="Height of a lifted heel"
              unit="%"
              [max]="100"
              [value]="round(shape().heelUp * 100)"
              (valueChange)="setShape('heelUp', ($event ?? 100) / 100)"
            />
          </div>
        </details>
        @if (via() === null) {
          <p-button label="Clear the position" size="small" variant="text" (onClick)="say(null)" />
        }
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
    details {
      display: grid;
      gap: 0.5rem;
    }
    details .row {
      margin-top: 0.5rem;
    }
    summary {
      min-height: 2rem;
      cursor: pointer;
    }
  `,
})
export class KeyframeEditor {
  readonly part = input.required<number>();
  /** Which position on the way is meant; null is the end of the part. */
  readonly via = input<number | null>(null);
  readonly frame = input.required<Keyframe | null>();
  /** One value of the position that was typed, or the whole of it set or cleared; below the part. */
  readonly typed = output<Patch>();

  protected readonly heading = computed(() => {
    const via = this.via();
    return via === null
      ? `Position at the end of part ${this.part()}`
      : `Position ${via + 1} on the way of part ${this.part()}`;
  });
  protected readonly plain = plainFrame;
  protected readonly plainHead = plainHead;
  protected readonly round = Math.round;
  protected readonly shape = computed((): Shape => this.frame()?.shape ?? plainShape);
  protected readonly trunk = computed((): TrunkShape => this.shape().trunk ?? plainTrunk);
  protected readonly pressure = computed(() => {
    const { pressurePoint } = this.shape();
    return pressurePoint === null ? null : Math.round(pressurePoint * 100);
  });
  protected readonly trunkFields = [
    { key: 'leanDeg', label: 'Trunk forward (empty: the posture’s)', min: -30, max: 110 },
    { key: 'roundDeg', label: 'Back rounded', min: -40, max: 120 },
    { key: 'asideDeg', label: 'Bent to the working side', min: -45, max: 45 },
    { key: 'twistDeg', label: 'Chest turned to the working side', min: -60, max: 60 },
  ] as const;
  protected readonly headFields = [
    { key: 'nodDeg', label: 'Chin down', min: -50, max: 70 },
    { key: 'turnDeg', label: 'Turned to the working side', min: -80, max: 80 },
    { key: 'tiltDeg', label: 'Ear to the working shoulder', min: -45, max: 45 },
  ] as const;
  protected readonly armFields = [
    { key: 'shoulderUp', label: 'shoulder up', unit: '%', min: -100, max: 100, scale: 100 },
    { key: 'shoulderForward', label: 'shoulder forward', unit: '%', min: -100, max: 100, scale: 100 },
    { key: 'elbowUpDeg', label: 'elbow swung up', unit: '°', min: -60, max: 150, scale: 1 },
    { key: 'wristBendDeg', label: 'wrist bent to the palm', unit: '°', min: -80, max: 80, scale: 1 },
    { key: 'wristAsideDeg', label: 'wrist bent to the thumb', unit: '°', min: -35, max: 25, scale: 1 },
    { key: 'closed', label: 'fingers closed', unit: '%', min: 0, max: 100, scale: 100 },
  ] as const;
  protected readonly arms = [
    { key: 'arm', name: 'Working hand' },
    { key: 'otherArm', name: 'Other hand' },
  ] as const;
  protected readonly gazes = [
    { label: 'looks as the school says', value: false },
    { label: 'moves by itself', value: true },
  ];
  protected readonly places = [
    { label: 'nothing', value: null },
    ...handPlaces.map((place) => ({ label: `the ${place}`, value: place })),
  ];
  protected readonly sidesOfHand = [
    { label: 'palm', value: 'palm' },
    { label: 'back', value: 'back' },
  ];
  protected readonly limits = limits;
  protected readonly hands = [
    { key: 'hand', arm: 'arm', palm: 'palm', name: 'Working hand' },
    { key: 'otherHand', arm: 'otherArm', palm: 'otherPalm', name: 'Other hand' },
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
    if (value !== null) this.emit([hand, key], value);
  }

  protected set<K extends keyof Keyframe>(key: K, value: Keyframe[K]): void {
    this.emit([key], value);
  }

  protected say(frame: Keyframe | null): void {
    this.emit([], frame);
  }

  /** A hand with a place of its own lies on the body no more. */
  protected place(key: 'hand' | 'otherHand', which: 'arm' | 'otherArm'): void {
    if (this.frame()?.[key] === null) this.emit([key], middle);
    if (this.frame()?.shape?.[which] != null) this.emit(['shape', which, 'on'], null);
  }

  protected armOf(which: 'arm' | 'otherArm'): ArmShape {
    return this.shape()[which] ?? plainArm;
  }

  protected setShape<K extends keyof Shape>(key: K, value: Shape[K]): void {
    if (this.frame()?.shape == null) this.emit(['shape'], { ...plainShape, [key]: value });
    else this.emit(['shape', key], value);
  }

  /** One value of the trunk, the head or an arm; what was not there yet begins as it was before. */
  private setInShape(part: 'trunk' | 'head' | 'arm' | 'otherArm', plain: object, key: string, value: unknown): void {
    if (this.frame()?.shape?.[part] == null) this.setShape(part, { ...plain, [key]: value } as never);
    else this.emit(['shape', part, key], value);
  }

  protected setTrunk(key: keyof TrunkShape, value: number | null): void {
    this.setInShape('trunk', plainTrunk, key, key === 'leanDeg' ? value : (value ?? 0));
  }

  protected setHead(key: keyof HeadShape, value: number | null): void {
    this.setInShape('head', plainHead, key, value ?? 0);
  }

  protected setArm<K extends keyof ArmShape>(which: 'arm' | 'otherArm', key: K, value: ArmShape[K]): void {
    this.setInShape(which, plainArm, key, value);
  }

  private emit(at: readonly Step[], value: unknown): void {
    const via = this.via();
    this.typed.emit({ at: [...(via === null ? ['end'] : ['via', via]), ...at], value });
  }
}
