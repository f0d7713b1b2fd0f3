import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  computed,
  effect,
  inject,
  input,
  viewChild,
  DestroyRef,
} from '@angular/core';
import { Button } from 'primeng/button';
import {
  asksForBalance,
  counted,
  drillTotals,
  durationWords,
  effortCalibration,
  families,
  guidanceWords,
  loadWeeks,
  monotonyWords,
  percent,
  recalibrated,
  recentLoad,
  recentWords,
  sideBalance,
  tableCsv,
  type PersonRecord,
  type PracticeLog,
  wayWords,
  type SideTotal,
} from '@pomek/core';
import type { Editing } from '../data/editing';
import { Chart } from '../ui/chart';
import { dayMonth } from '../ui/day-words';
import { DayPipe } from '../ui/day.pipe';
import { download, fileName } from '../ui/download';

const WEEKS = 12;
/** Greys from dark to light with the two inks of the sides left out: the family is also written in the table. */
const shades = ['#0f5c4e', '#3f9480', '#9fcbbe', '#7a5200', '#c9a24a', '#7e8f89', '#c5cfc9'];

/** What was done of late: load by week and family, recent against usual, sides, effort felt against reckoned. */
@Component({
  selector: 'pk-load',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DayPipe],
  templateUrl: './load-panel.html',
  styles: `
    td.wrap {
      white-space: normal;
    }
    .chart {
      position: relative;
      height: 14rem;
      /* In a window that has become narrower the canvas is as wide as before for a moment. */
      overflow: clip;
    }
    .two {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 1.25rem;
    }
    th,
    td {
      white-space: nowrap;
    }
    .sides {
      min-width: 11rem;
      white-space: normal;
    }
    .family {
      display: inline-block;
      width: 0.8rem;
      height: 0.8rem;
      margin-right: 0.35rem;
    }
  `,
})
export class LoadPanel {
  private readonly canvas = viewChild<ElementRef<HTMLCanvasElement>>('chart');
  readonly person = input.required<PersonRecord>();
  /** All practices, however old. */
  readonly logs = input.required<readonly PracticeLog[]>();
  readonly edit = input.required<Editing<'students'>>();

  private readonly today = computed(() => this.person().today);
  protected readonly weeks = computed(() => {
    const kinds = new Map(this.person().exercises.map((exercise) => [exercise.id, exercise.family]));
    return loadWeeks(this.logs(), kinds, this.today(), WEEKS).map((week) => ({
      ...week,
      words: monotonyWords(week),
      rounded: Math.round(week.load),
      minutesRounded: Math.round(week.minutes),
    }));
  });
  protected readonly used = computed(() =>
    families
      .map((family, index) => ({ family, shade: shades[index]! }))
      .filter(({ family }) => this.weeks().some((week) => (week.byFamily[family] ?? 0) > 0)),
  );
  protected readonly recent = computed(() => {
    const load = recentLoad(this.logs(), this.today());
    const ratio = load.ratio === null ? '' : ` ${percent(load.ratio)} of the usual.`;
    const missing = this.logs().filter((log) => log.effort === null).length;
    const without =
      missing === 0 ? '' : ` ${counted(missing, 'practice has', 'practices have')} no effort noted, and so no load.`;
    return `${recentWords(load)}${ratio}${without}`;
  });
  protected readonly guidance = computed(() => {
    const { age } = this.person();
    const balance = this.person().exercises.filter(asksForBalance);
    return guidanceWords(this.logs(), this.today(), age, new Set(balance.map(({ id }) => id)));
  });
  protected readonly sides = computed(() => {
    const { leftSeconds, rightSeconds, owed } = sideBalance(this.logs(), this.today());
    const both = `Left ${durationWords(leftSeconds)}, right ${durationWords(rightSeconds)} in four weeks.`;
    return owed === null ? `${both} Even.` : `${both} The ${owed.side} side is ${durationWords(owed.seconds)} behind.`;
  });
  /** What was done of each drill over all the months, in what it is counted in. */
  protected readonly totals = computed(() =>
    drillTotals(this.logs()).map(({ exerciseId, exerciseName, kind, practices, firstDay, amount, seconds, sides }) => {
      const much = (total: Pick<SideTotal, 'amount' | 'seconds'>): string =>
        kind === 'hold' ? durationWords(Math.round(total.seconds)) : String(Math.floor(total.amount));
      const noun = kind === 'cycle' ? 'repetition' : 'breath';
      return {
        key: `${exerciseId} ${kind}`,
        name: exerciseName,
        all: kind === 'hold' ? much({ amount, seconds }) : counted(Math.floor(amount), noun),
        sides: sides.length < 2 ? '' : sides.map((one) => `${wayWords(one)} ${much(one)}`).join(', '),
        practices,
        since: firstDay,
      };
    }),
  );
  protected readonly calibration = computed(() => {
    const { student, logs, shelf, body, capacity, school } = this.person();
    const found = effortCalibration(logs, shelf, body, capacity, school);
    return { ...found, ...recalibrated(found.factor, student.capacityFactor) };
  });

  constructor() {
    let chart: Chart | null = null;
    effect(() => {
      const canvas = this.canvas()?.nativeElement;
      const weeks = this.weeks();
      const used = this.used();
      chart?.destroy();
      chart = null;
      if (canvas === undefined || canvas.getContext('2d') === null) return;
      const ink = getComputedStyle(canvas).getPropertyValue('--pk-ink') || '#1d2b29';
      chart = new Chart(canvas, {
        type: 'bar',
        data: {
          labels: weeks.map((week) => dayMonth(week.from)),
          datasets: used.map(({ family, shade }) => ({
            label: family,
            backgroundColor: shade,
            data: weeks.map((week) => Math.round(week.byFamily[family] ?? 0)),
          })),
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: { stacked: true, ticks: { color: ink } },
            y: { stacked: true, ticks: { color: ink }, title: { display: true, text: 'minutes × effort', color: ink } },
          },
        },
      });
    });
    inject(DestroyRef).onDestroy(() => chart?.destroy());
  }

  protected recalibrate(): void {
    const { factor } = this.calibration();
    if (factor !== null) this.edit().set(['capacityFactor'], factor);
  }

  protected save(): void {
    const used = this.used().map((entry) => entry.family);
    const columns = ['from', 'load', 'minutes', 'practices', 'monotony', 'strain', ...used];
    const rows = this.weeks().map((week) => [
      week.from,
      week.rounded,
      week.minutesRounded,
      week.practices,
      week.monotony === null ? '' : week.monotony.toFixed(2),
      week.strain === null ? '' : Math.round(week.strain),
      ...used.map((family) => Math.round(week.byFamily[family] ?? 0)),
    ]);
    download(`${fileName(`load ${this.person().student.name}`)}.csv`, tableCsv(columns, rows), 'text/csv');
  }
}
