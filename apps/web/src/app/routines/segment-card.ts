import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { SelectButton } from 'primeng/selectbutton';
import {
  doseWords,
  durationWords,
  mirrorSegment,
  unevenness,
  type Dose,
  type Exercise,
  type Segment,
} from '@pomek/core';
import { segmentEffortWords, type SegmentEffort } from './effort-words';
import { DoseEditor } from '../ui/dose-editor';
import { DurationField } from '../ui/duration-field';

/** One segment of a routine: its line, and its dose when it is open. */
@Component({
  selector: 'pk-segment',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DoseEditor, DurationField, FormsModule, InputText, SelectButton],
  templateUrl: './segment-card.html',
  styleUrl: './segment-card.scss',
})
export class SegmentCard {
  readonly segment = input.required<Segment>();
  readonly index = input.required<number>();
  readonly name = input.required<string>();
  readonly exercise = input<Exercise>();
  readonly seconds = input.required<number>();
  readonly effort = input<SegmentEffort>();
  readonly open = input.required<boolean>();
  readonly first = input.required<boolean>();
  readonly last = input.required<boolean>();
  readonly openChange = output<boolean>();
  readonly segmentChange = output<Segment>();
  readonly up = output();
  readonly down = output();
  readonly duplicate = output();
  readonly remove = output();

  protected readonly orders = [
    { label: 'One side whole', value: 'whole' },
    { label: 'Alternating', value: 'alternating' },
  ];
  protected readonly length = computed(() => durationWords(this.seconds()));
  protected readonly words = computed(() => {
    const segment = this.segment();
    if (segment.type === 'exercise') return doseWords(segment.dose);
    return segment.type === 'rest' ? 'rest' : 'teaching time';
  });
  protected readonly uneven = computed(() => {
    const segment = this.segment();
    return segment.type === 'exercise' && !segment.unevenOnPurpose && unevenness(segment.dose).length > 0;
  });
  protected readonly sided = computed(() => {
    const segment = this.segment();
    return segment.type === 'exercise' && segment.dose.amounts.length > 1;
  });

  protected readonly effortWords = computed(() => {
    const effort = this.effort();
    return effort === undefined ? [] : segmentEffortWords(effort);
  });
  protected readonly pastToes = computed(() => (this.effort()?.kneePastToes ?? -1) > 0);

  protected setDose(dose: Dose): void {
    const segment = this.segment();
    if (segment.type === 'exercise') this.segmentChange.emit({ ...segment, dose });
  }

  protected setOrder(sideOrder: 'whole' | 'alternating'): void {
    const segment = this.segment();
    if (segment.type === 'exercise') this.segmentChange.emit({ ...segment, sideOrder });
  }

  protected setPause(part: { seconds?: number; label?: string }): void {
    const segment = this.segment();
    if (segment.type !== 'exercise') this.segmentChange.emit({ ...segment, ...part });
  }

  protected mirror(): void {
    this.segmentChange.emit(mirrorSegment(this.segment()));
  }
}
