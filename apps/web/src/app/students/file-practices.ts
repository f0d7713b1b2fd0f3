import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type {
  Correction,
  Decision,
  Exercise,
  PersonRecord,
  Plan,
  PracticeLog,
  School,
  Still,
  Student,
} from '@pomek/core';
import { Clock } from '../data/clock';
import type { Editing } from '../data/editing';
import { Notices } from '../data/notices';
import { Store } from '../data/store';
import { shortDay } from '../ui/day-words';
import { DayPipe } from '../ui/day.pipe';
import { HomeLogPanel } from '../ui/home-log-panel';
import { CorrectionsMap } from './corrections-map';
import { FilmPanel, LoadPanel } from './practice-panels';
import { LogList } from './log-list';

/** What was practised: the practices themselves, what was decided after them, corrections, load and film. */
@Component({
  selector: 'pk-file-practices',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CorrectionsMap, DayPipe, FilmPanel, HomeLogPanel, LoadPanel, LogList, RouterLink],
  templateUrl: './file-practices.html',
  styles: `
    td:not(.small) {
      white-space: nowrap;
    }
    .within {
      display: flex;
      flex-wrap: wrap;
      gap: 0 1.25rem;
    }
    .within a {
      padding: 0.5rem 0;
    }
    .columns {
      display: grid;
      grid-template-columns: repeat(2, minmax(0, 1fr));
      gap: 1rem;
      align-items: start;
    }
    .wanted {
      order: -1;
    }
    [aria-current] {
      font-weight: 700;
    }
    @media (width < 1100px) {
      .columns {
        grid-template-columns: minmax(0, 1fr);
      }
      .before {
        order: -1;
      }
    }
  `,
})
export class FilePractices {
  private readonly store = inject(Store);
  private readonly notices = inject(Notices);
  readonly student = input.required<Student>();
  readonly person = input.required<PersonRecord>();
  readonly edit = input.required<Editing<'students'>>();
  /** All practices, the newest first. */
  readonly logs = input.required<readonly PracticeLog[]>();
  readonly decisions = input.required<readonly Decision[]>();
  readonly exercises = input.required<readonly Exercise[]>();
  readonly plans = input.required<readonly Plan[]>();
  readonly school = input.required<School>();
  readonly corrections = input.required<readonly Correction[]>();
  readonly drills = input.required<readonly Exercise[]>();
  readonly stills = input.required<readonly Still[]>();
  /** The section that is wanted: it stands first beside the practices, on a narrow page before them. */
  readonly at = input.required<string>();

  protected readonly today = inject(Clock).today;
  protected readonly sections = [
    { part: 'practices', name: 'Practices' },
    { part: 'corrections', name: 'Corrections' },
    { part: 'load', name: 'Load' },
    { part: 'film', name: 'Film' },
  ] as const;

  /** Which share of many practices is written; null while none are. */
  protected readonly keeping = signal<number | null>(null);

  protected async addLogs(logs: PracticeLog[]): Promise<void> {
    const label = logs.length === 1 ? `Practice of ${shortDay(logs[0]!.day)}` : `${logs.length} practices`;
    const incoming = logs.map((record) => ({ table: 'logs', record }) as const);
    try {
      await this.store.takeOver(label, incoming, (share) => this.keeping.set(share));
    } finally {
      this.keeping.set(null);
    }
    this.notices.done(`${label} saved`, { undo: true });
  }

  protected async removeLog(log: PracticeLog): Promise<void> {
    await this.store.write(`Remove the practice of ${shortDay(log.day)}`, [{ table: 'logs', remove: log.id }]);
    this.notices.done('Practice removed', { undo: true });
  }
}
