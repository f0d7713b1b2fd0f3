import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Checkbox } from 'primeng/checkbox';
import { SelectButton } from 'primeng/selectbutton';
import {
  axesOf,
  axisValue,
  breathPeriod,
  breathRate,
  countOf,
  counted,
  durationWords,
  givingOf,
  givingWords,
  isTimed,
  USUAL_REST,
  wayWords,
  type BreathPattern,
  type Dose,
  type DoseGiving,
  type Exercise,
  type SideAmount,
} from '@pomek/core';
import { patchOf, type Patch } from '../data/patch';
import { DurationField } from './duration-field';
import { NumberField } from './number-field';
import { SideMark } from './side-mark';
import { StayField } from './stay-field';

let count = 0;
const doseAt = patchOf<Dose>();

const nouns = { hold: 'Holds', cycle: 'Repetitions', timed: 'Rounds', breath: 'Breaths' } as const;
const patternParts: readonly { key: keyof BreathPattern; label: string }[] = [
  { key: 'inSeconds', label: 'In' },
  { key: 'fullPauseSeconds', label: 'Pause after breathing in' },
  { key: 'outSeconds', label: 'Out' },
  { key: 'emptyPauseSeconds', label: 'Pause after breathing out' },
];

/** How much of an exercise: amounts by side and direction, and their time or pace; gives out one value at a time. */
@Component({
  selector: 'pk-dose',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Checkbox, DurationField, FormsModule, NumberField, SelectButton, SideMark, StayField],
  templateUrl: './dose-editor.html',
  styles: `
    .amounts {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 1rem;
    }
    .rows {
      display: grid;
      grid-template-columns: repeat(2, max-content);
      gap: 0.5rem 1.5rem;
    }
    .cue {
      align-self: end;
      padding-bottom: 0.5rem;
    }
    .amount {
      display: grid;
      gap: 0.2rem;
      align-content: end;
    }
  `,
})
export class DoseEditor {
  readonly dose = input.required<Dose>();
  /** Whose dose it is, for the parts in which it may stay. */
  readonly drill = input<Pick<Exercise, 'phases'>>({ phases: [] });
  /** The student's breaths at rest, for holds that are counted in breaths; null when not taken. */
  readonly breathsPerMinute = input<number | null>(null);
  /** The ways in which it can be given; none to choose from: it stays as it is. */
  readonly ways = input<readonly DoseGiving[]>([]);
  /** The way chosen. */
  readonly given = output<DoseGiving>();
  /** One value of the dose that was typed. */
  readonly typed = output<Patch>();

  protected readonly givings = computed(() => this.ways().map((value) => ({ value, label: givingWords[value] })));
  protected readonly cueId = `dose-cue-${(count += 1)}`;
  protected readonly patternParts = patternParts;
  protected readonly giving = computed(() => givingOf(this.dose()));
  protected readonly noun = computed(() => nouns[this.giving()]);
  protected readonly rest = computed(() =>
    this.dose().kind === 'hold' ? 'Rest between holds' : 'Rest between rounds',
  );
  /** What follows from it: how fast the breath is, how many repetitions a time comes to. */
  protected readonly told = computed(() => {
    const dose = this.dose();
    if (isTimed(dose)) return `about ${counted(Math.round(countOf(dose, 1)), 'repetition')} a round`;
    if (dose.kind !== 'breath') return '';
    return `${breathRate(dose.pattern).toFixed(2)} breaths a minute, ${durationWords(breathPeriod(dose.pattern))} each`;
  });

  protected labelOf(row: SideAmount): string {
    return [this.noun(), wayWords(row)].filter((words) => words !== '').join(' ');
  }

  protected setAmount({ side, direction }: SideAmount, amount: number | null): void {
    if (amount !== null) this.typed.emit(doseAt(['amounts', { side, direction }, 'amount'], amount));
  }

  protected setRest(restSeconds: number): void {
    this.typed.emit(doseAt(['restSeconds'], restSeconds));
  }

  protected setHold(holdSeconds: number): void {
    this.typed.emit(doseAt(['holdSeconds'], holdSeconds));
  }

  /** The hold in whole breaths at rest, and back. */
  protected readonly holdBreaths = computed(() => {
    const dose = this.dose();
    return dose.kind === 'hold' ? Math.round((dose.holdSeconds * (this.breathsPerMinute() ?? USUAL_REST)) / 60) : 0;
  });

  protected setHoldBreaths(breaths: number | null): void {
    if (breaths === null) return;
    this.setHold(Math.max(1, Math.round((breaths * 60) / (this.breathsPerMinute() ?? USUAL_REST))));
  }

  /** The upper end of the dose: what is enough is no more than that. */
  protected readonly most = computed(() => axisValue(this.dose(), axesOf(this.dose())[0]!));

  protected setLeast(least: number | null): void {
    this.typed.emit(doseAt(['least'], least));
  }

  protected setByCue(byCue: boolean): void {
    this.typed.emit(doseAt(['byCue'], byCue));
  }

  protected setRound(roundSeconds: number): void {
    this.typed.emit(doseAt(['roundSeconds'], roundSeconds));
  }

  protected setCycle(cycleSeconds: number | null): void {
    if (cycleSeconds !== null) this.typed.emit(doseAt(['cycleSeconds'], cycleSeconds));
  }

  protected setPattern(key: keyof BreathPattern, value: number | null): void {
    if (value !== null) this.typed.emit(doseAt(['pattern', key], value));
  }

  protected setSlowing(percent: number | null): void {
    if (percent !== null) this.typed.emit(doseAt(['slowing'], 1 + percent / 100));
  }

  protected slowingPercent(slowing: number): number {
    return Math.round((slowing - 1) * 1000) / 10;
  }
}
