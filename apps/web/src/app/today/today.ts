import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Clock } from '../data/clock';
import { Opening } from '../data/opening';
import { fullDay } from '../ui/written-day';
import { TodayBoard } from './day';

/** The day, at once: it is painted before what it holds is asked for. */
@Component({
  selector: 'pk-today',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [TodayBoard],
  template: `
    <div class="page stack">
      <h1>{{ date() }}</h1>
      @defer (when opening.painted()) {
        <pk-today-board />
      }
    </div>
  `,
})
export class Today {
  private readonly clock = inject(Clock);
  protected readonly opening = inject(Opening);
  protected readonly date = computed(() => fullDay(this.clock.today()));
}
