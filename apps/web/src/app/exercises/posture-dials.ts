import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Posture } from '@pomek/core';
import { NumberField } from '../ui/number-field';

interface Dial {
  readonly key:
    'kneeBendDeg' | 'trunkPitchDeg' | 'shoulderRaiseDeg' | 'elbowBendDeg' | 'weightShare' | 'stanceWidth' | 'ahead';
  readonly label: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  /** The stored value times this is shown. */
  readonly scale: number;
}

const dials: readonly Dial[] = [
  { key: 'kneeBendDeg', label: 'Knee bend', unit: '°', min: 0, max: 120, step: 1, scale: 1 },
  { key: 'weightShare', label: 'Weight on leg', unit: '%', min: 50, max: 100, step: 1, scale: 100 },
  { key: 'shoulderRaiseDeg', label: 'Arms raised', unit: '°', min: 0, max: 180, step: 1, scale: 1 },
  { key: 'elbowBendDeg', label: 'Elbows bent', unit: '°', min: 0, max: 150, step: 1, scale: 1 },
  { key: 'trunkPitchDeg', label: 'Trunk forward', unit: '°', min: 0, max: 100, step: 1, scale: 1 },
  { key: 'stanceWidth', label: 'Shoulder widths', unit: '×', min: 0, max: 3, step: 0.1, scale: 1 },
  { key: 'ahead', label: 'Feet ahead', unit: '×', min: 0, max: 4, step: 0.1, scale: 1 },
];

/** The numbers of a posture to turn: a slider and a field for each. By keys the field does all: its arrow keys turn as the slider does. */
@Component({
  selector: 'pk-posture-dials',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField],
  host: { role: 'group', 'aria-label': 'Posture in numbers' },
  template: `
    @for (dial of shown(); track dial.key) {
      <div class="dial">
        <pk-number
          [inline]="true"
          [label]="dial.label"
          [unit]="dial.unit"
          [min]="dial.min"
          [max]="dial.max"
          [step]="dial.step"
          [whole]="dial.step === 1"
          [value]="value(dial)"
          (valueChange)="set(dial, $event)"
        />
        <input
          type="range"
          tabindex="-1"
          [attr.aria-label]="dial.label + ', slider'"
          [min]="dial.min"
          [max]="dial.max"
          [step]="dial.step"
          [value]="value(dial)"
          (input)="set(dial, $any($event.target).valueAsNumber)"
        />
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.15rem;
      align-content: start;
    }
    .dial {
      display: grid;
    }
    input {
      width: 100%;
      height: 1.3rem;
      margin: 0.15rem 0 0;
    }
  `,
})
export class PostureDials {
  readonly posture = input.required<Posture>();
  readonly postureChange = output<Partial<Posture>>();

  protected readonly shown = computed(() =>
    this.posture().seated
      ? dials.filter((dial) => ['shoulderRaiseDeg', 'elbowBendDeg', 'trunkPitchDeg'].includes(dial.key))
      : dials,
  );

  protected value(dial: Dial): number {
    return Math.round(this.posture()[dial.key] * dial.scale * 10) / 10;
  }

  protected set(dial: Dial, value: number | null): void {
    if (value !== null && Number.isFinite(value)) this.postureChange.emit({ [dial.key]: value / dial.scale });
  }
}
