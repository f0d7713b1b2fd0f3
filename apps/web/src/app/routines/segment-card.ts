import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { SelectButton } from 'primeng/selectbutton';
import {
  doseWords,
  durationWords,
  figurePose,
  mirrorSegment,
  segmentPosture,
  settlePosture,
  stillMoment,
  unevenness,
  unturned,
  type Exercise,
  type School,
  type Segment,
  type Turned,
} from '@pomek/core';
import { patchOf, type Patch } from '../data/patch';
import type { Person } from '../data/person-choice';
import { segmentEffortWords, type SegmentEffort } from './effort-words';
import { DoseEditor } from '../ui/dose-editor';
import { DurationField } from '../ui/duration-field';
import { Figure } from '../ui/figure';
import { NumberField } from '../ui/number-field';
import { TextField } from '../ui/text-field';

const segmentAt = patchOf<Segment>();

/** One segment of a routine: its line, and its dose when it is open. */
@Component({
  selector: 'pk-segment',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DoseEditor, DurationField, Figure, FormsModule, InputText, NumberField, SelectButton, TextField],
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
  readonly selected = input(false);
  /** How often the round it belongs to is gone through. */
  readonly times = input(1);
  readonly person = input.required<Person>();
  readonly school = input.required<School>();
  readonly first = input.required<boolean>();
  readonly last = input.required<boolean>();
  readonly openChange = output<boolean>();
  /** One value of the segment that was typed. */
  readonly typed = output<Patch>();
  readonly changed = output<(segment: Segment) => Segment>();
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
    return segment.type === 'exercise' && unevenness(segment.dose).length > 0;
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

  protected readonly pose = computed(() => {
    const segment = this.segment();
    const exercise = this.exercise();
    if (!this.open() || segment.type !== 'exercise' || exercise === undefined) return null;
    const posture = segmentPosture(segment, exercise);
    const settled = settlePosture(posture, this.school());
    return figurePose(this.person().body, settled, stillMoment({ posture }), 'right', true);
  });
  protected readonly posture = computed(() => {
    const segment = this.segment();
    const exercise = this.exercise();
    return segment.type === 'exercise' && exercise !== undefined ? segmentPosture(segment, exercise) : null;
  });

  protected share(share: number): number {
    return Math.round(share * 100);
  }

  /** What is the same as in the exercise is not kept as a turn. */
  protected turn(key: keyof Turned, value: number | null): void {
    const wanted = value === this.exercise()?.posture[key] ? null : value;
    this.typed.emit(segmentAt(['turned', key], wanted, unturned));
  }

  protected dose(patch: Patch): void {
    this.typed.emit({ ...patch, at: ['dose', ...patch.at] });
  }

  protected setOrder(sideOrder: 'whole' | 'alternating'): void {
    this.typed.emit(segmentAt(['sideOrder'], sideOrder));
  }

  protected setSeconds(seconds: number): void {
    this.typed.emit(segmentAt(['seconds'], seconds));
  }

  protected setLabel(label: string): void {
    this.typed.emit({ ...segmentAt(['label'], label), letters: true });
  }

  protected mirror(): void {
    this.changed.emit(mirrorSegment);
  }
}
