import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { durationWords, sidesLedger, timeline, type Routine } from '@pomek/core';
import type { ResultOf } from '../compute/protocol';
import { reserveWords } from './effort-words';
import { Hint } from '../ui/hint';
import { HintPicture } from '../ui/hint-picture';
import { SideMark } from '../ui/side-mark';

/** The sums of a routine, left beside right, and the least reserve. */
@Component({
  selector: 'pk-routine-summary',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Hint, HintPicture, SideMark],
  templateUrl: './routine-summary.html',
  styleUrl: './routine-summary.scss',
})
export class RoutineSummary {
  readonly routine = input.required<Routine>();
  readonly names = input.required<ReadonlyMap<string, string>>();
  /** For whom the reserve is. */
  readonly who = input('a standard body');
  readonly effort = input<ResultOf<'effort'> | null>(null);

  private readonly line = computed(() => timeline(this.routine()));
  protected readonly total = computed(() => durationWords(this.line().totalMs / 1000));
  protected readonly parts = computed(() => {
    const line = this.line();
    return [
      { name: 'work', ms: line.workMs },
      { name: 'getting ready, changing sides', ms: line.changeMs },
      { name: 'rest', ms: line.restMs },
      { name: 'teaching', ms: line.talkMs },
    ]
      .filter((part) => part.ms > 0)
      .map((part) => ({ name: part.name, value: durationWords(part.ms / 1000) }));
  });
  protected readonly sides = computed(() => {
    const ledger = sidesLedger(this.routine());
    // Where nothing is done on one side there is nothing to compare.
    if (ledger.left.seconds + ledger.right.seconds === 0) return [];
    return (['left', 'right'] as const).map((side) => {
      const totals = ledger[side];
      // What is given as time ends somewhere in a repetition.
      const [repetitionsForward, repetitionsReversed] = [
        Math.round(totals.repetitionsForward),
        Math.round(totals.repetitionsReversed),
      ];
      const reversed = repetitionsReversed > 0 ? `, ${repetitionsReversed} reversed` : '';
      return { side, time: durationWords(totals.seconds), repetitions: `${repetitionsForward} repetitions${reversed}` };
    });
  });
  /** There is something a reserve can be reckoned of. */
  protected readonly asked = computed(() => this.routine().segments.some(({ type }) => type === 'exercise'));
  protected readonly reserve = computed(() => reserveWords(this.effort(), this.names()));
}
