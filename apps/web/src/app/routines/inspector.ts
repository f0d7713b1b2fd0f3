import { ChangeDetectionStrategy, Component, computed, inject, input, model, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { InputText } from 'primeng/inputtext';
import { SelectButton } from 'primeng/selectbutton';
import type { Segment } from '@pomek/core';
import type { Patch } from '../data/patch';
import { SchoolChoice } from '../ui/school-choice';
import { DurationField } from '../ui/duration-field';
import { TextField } from '../ui/text-field';
import { ClassLook } from './class-look';
import { FindingsList } from './findings-list';
import { FitPanel } from './fit-panel';
import { RoomPanel } from './room-panel';
import { SegmentDose } from './segment-dose';
import { Workbench } from './workbench';

export type InspectorTab = 'dose' | 'findings' | 'minutes' | 'hall' | 'class' | 'settings';

/** Beside the routine: the dose of what is selected, what is wrong, the minutes, the hall, and what holds for all of it. */
@Component({
  selector: 'pk-inspector',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ClassLook,
    DurationField,
    FindingsList,
    FitPanel,
    FormsModule,
    InputText,
    RoomPanel,
    SegmentDose,
    SchoolChoice,
    SelectButton,
    TextField,
  ],
  templateUrl: './inspector.html',
  styleUrl: './inspector.scss',
})
export class Inspector {
  protected readonly bench = inject(Workbench);
  /** The segment that is looked at; null where none is. */
  readonly id = input.required<string | null>();
  readonly tab = model.required<InspectorTab>();
  readonly show = output<string>();
  /** The segment is to go up (-1) or down (1). */
  readonly moved = output<number>();
  readonly duplicated = output();
  readonly removed = output();

  protected readonly tabs = computed((): { label: string; value: InspectorTab }[] => [
    { label: 'Dose', value: 'dose' },
    { label: `Findings ${this.bench.findings().length}`, value: 'findings' },
    { label: 'Minutes', value: 'minutes' },
    { label: 'Hall', value: 'hall' },
    { label: 'Class', value: 'class' },
    { label: 'All', value: 'settings' },
  ]);
  protected readonly segment = computed(() => {
    const segments = this.bench.routine()?.segments ?? [];
    const index = segments.findIndex(({ id }) => id === this.id());
    return index < 0 ? null : { segment: segments[index]!, index, last: index === segments.length - 1 };
  });
  protected readonly effort = computed(() =>
    this.bench.effort()?.segments.find(({ segmentId }) => segmentId === this.id()),
  );

  protected typed({ id }: Segment, patch: Patch): void {
    this.bench.edit.apply(patch, ['segments', { id }]);
  }

  protected change({ id }: Segment, change: (segment: Segment) => Segment): void {
    this.bench.change('Change a segment', (routine) => ({
      ...routine,
      segments: routine.segments.map((entry) => (entry.id === id ? change(entry) : entry)),
    }));
  }
}
