import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import {
  durationWords,
  evenSegment,
  keepUneven,
  removeSegment,
  routineFindings,
  sidesLedger,
  timeline,
  type Exercise,
  type Finding,
  type Routine,
  type School,
} from '@pomek/core';
import type { ResultOf } from '../compute/protocol';
import { reserveWords } from './effort-words';
import { SideMark } from '../ui/side-mark';

export interface RoutineChange {
  readonly label: string;
  readonly command: (routine: Routine) => Routine;
}

/** The sums of a routine, left beside right, and what is wrong with its mend. */
@Component({
  selector: 'pk-routine-summary',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, SideMark],
  templateUrl: './routine-summary.html',
  styleUrl: './routine-summary.scss',
})
export class RoutineSummary {
  readonly routine = input.required<Routine>();
  readonly exercises = input.required<ReadonlyMap<string, Exercise>>();
  readonly school = input.required<School>();
  readonly effort = input<ResultOf<'effort'> | null>(null);
  readonly changed = output<RoutineChange>();
  /** Asks for a segment to be opened. */
  readonly show = output<string>();

  private readonly line = computed(() => timeline(this.routine()));
  protected readonly total = computed(() => durationWords(this.line().totalMs / 1000));
  protected readonly parts = computed(() => {
    const line = this.line();
    return [
      { name: 'work', ms: line.workMs },
      { name: 'taking up, changing', ms: line.changeMs },
      { name: 'rest', ms: line.restMs },
      { name: 'teaching', ms: line.talkMs },
    ]
      .filter((part) => part.ms > 0)
      .map((part) => ({ name: part.name, value: durationWords(part.ms / 1000) }));
  });
  protected readonly sides = computed(() => {
    const ledger = sidesLedger(this.routine());
    return (['left', 'right'] as const).map((side) => {
      const totals = ledger[side];
      const { repetitionsForward, repetitionsReversed } = totals;
      const reversed = repetitionsReversed > 0 ? `, ${repetitionsReversed} reversed` : '';
      return { side, time: durationWords(totals.seconds), repetitions: `${repetitionsForward} repetitions${reversed}` };
    });
  });
  protected readonly findings = computed(() => routineFindings(this.routine(), this.exercises(), this.school()));

  protected readonly reserve = computed(() => reserveWords(this.effort(), this.names()));
  private readonly names = computed(
    () =>
      new Map(
        this.routine().segments.map((segment) => [
          segment.id,
          segment.type === 'exercise' ? (this.exercises().get(segment.exerciseId)?.name ?? '') : segment.label,
        ]),
      ),
  );

  protected words(finding: Finding): string {
    switch (finding.kind) {
      case 'uneven': {
        const { many, manyAmount, few, fewAmount } = finding.uneven;
        return `${finding.name}: ${manyAmount} ${many}, but ${fewAmount} ${few}.`;
      }
      case 'nothing-to-do':
        return `${finding.name}: its dose is nothing.`;
      case 'unknown-exercise':
        return 'An exercise in here is no longer on the shelf.';
    }
  }

  protected even(finding: Finding): void {
    this.changed.emit({ label: 'Even out the sides', command: (routine) => evenSegment(routine, finding.segmentId) });
  }

  protected keep(finding: Finding): void {
    this.changed.emit({
      label: 'Keep the sides unequal',
      command: (routine) => keepUneven(routine, finding.segmentId),
    });
  }

  protected takeOut(finding: Finding): void {
    this.changed.emit({
      label: 'Take the segment out',
      command: (routine) => removeSegment(routine, finding.segmentId),
    });
  }
}
