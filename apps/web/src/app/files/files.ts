import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { firstValueFrom } from 'rxjs';
import {
  bundleKinds,
  personRecord,
  routineContents,
  withinSize,
  plannedDays,
  writeBundle,
  type Plan,
  type PersonRecord,
  type Student,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { DemoSpace } from '../data/demo-space';
import { Notices } from '../data/notices';
import { People } from '../data/people';
import { schoolOf } from '../data/gathered';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
import { SPACE } from '../data/space';
import { WholeSpace } from '../data/whole-space';
import { NumberField } from '../ui/number-field';
import { download, fileName } from '../ui/download';
import { CueTrackButton, type Tracked } from '../ui/cue-track-button';
import { sizeWords } from '../ui/size-words';
import { HomeLogPanel } from '../ui/home-log-panel';
import { ImportPanel } from './import-panel';
import { TextField } from '../ui/text-field';

/** As many weeks as go on a few sheets of paper. */
const MOST_ON_PAPER = 12;

/** What goes out and what comes in. */
@Component({
  selector: 'pk-files',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Button,
    Checkbox,
    CueTrackButton,
    FormsModule,
    HomeLogPanel,
    ImportPanel,
    InputText,
    NumberField,
    Select,
    TextField,
  ],
  templateUrl: './files.html',
  styleUrl: './files.scss',
})
export class Files {
  private readonly clock = inject(Clock);
  private readonly whole = inject(WholeSpace);
  private readonly notices = inject(Notices);
  private readonly repository = inject(Repository);
  private readonly store = inject(Store);
  private readonly people = inject(People);
  protected readonly demo = inject(DemoSpace);
  protected readonly space = inject(SPACE);

  protected readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  private readonly students = toSignal(this.repository.students$, { initialValue: [] });
  private readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });
  private readonly schools = toSignal(this.repository.schools$, { initialValue: [] });
  private readonly plans = toSignal(this.repository.plans$, { initialValue: [] });

  protected readonly routineId = signal<string | null>(null);
  protected readonly planId = signal<string | null>(null);
  protected readonly startTime = signal('07:30');
  protected readonly weeks = signal(8);
  protected readonly asksAnew = signal(false);
  protected readonly planChoices = computed(() =>
    this.plans().flatMap((plan) => {
      const student = this.students().find((entry) => entry.id === plan.studentId);
      const routine = this.routines().find((entry) => entry.id === plan.routineId);
      return student === undefined || routine === undefined
        ? []
        : [{ id: plan.id, name: `${student.name}: ${routine.name}`, plan, student, routine }];
    }),
  );

  /** The pictures of students go along only where the teacher wants it. */
  protected readonly withPictures = signal(false);
  protected readonly pictures = toSignal(this.repository.all('stills'), { initialValue: [] });
  protected readonly pictureSize = computed(() =>
    sizeWords(this.pictures().reduce((sum, { bytes }) => sum + bytes, 0)),
  );

  protected async exportAll(): Promise<void> {
    const kinds = this.withPictures() ? bundleKinds : bundleKinds.filter((kind) => kind !== 'pictures');
    const { contents, left } = withinSize(await this.whole.read(kinds));
    const count = bundleKinds.reduce((sum, kind) => sum + contents[kind].length, 0);
    download(`pomek-${this.clock.today()}.json`, writeBundle(contents, this.clock.now()), 'application/json');
    const detail =
      left === 0 ? '' : `${left} of the older pictures did not go into one file: it would be too large to be read.`;
    this.notices.done(`Everything exported: ${count} records`, { detail });
  }

  protected async exportRoutine(): Promise<void> {
    const routine = this.routines().find((entry) => entry.id === this.routineId());
    if (routine === undefined) return;
    const contents = routineContents(routine, await this.whole.read(['schools', 'exercises']));
    download(`${fileName(routine.name)}.json`, writeBundle(contents, this.clock.now()), 'application/json');
    this.notices.done(`${routine.name} exported`);
  }

  /** The cue track of the routine that is chosen, as its school words it. */
  protected readonly routineTrack = (): Tracked => {
    const routine = this.routines().find((entry) => entry.id === this.routineId())!;
    const used = new Set(routine.segments.flatMap((part) => (part.type === 'exercise' ? [part.exerciseId] : [])));
    return {
      name: `${routine.name} cue track`,
      tracks: [{ name: fileName(routine.name), routine }],
      exercises: this.exercises().filter(({ id }) => used.has(id)),
      school: schoolOf(this.schools(), routine.schoolId),
      inWork: [],
    };
  };

  protected async exportCalendar(): Promise<void> {
    const choice = this.planChoices().find((entry) => entry.id === this.planId());
    if (choice === undefined) return;
    const { planCalendar } = await import('./calendar');
    try {
      const { text, given } = planCalendar({
        plan: choice.plan,
        person: await this.personOf(choice.student),
        weeks: this.weeks(),
        startTime: this.startTime(),
        now: this.clock.now(),
      });
      download(`${fileName(choice.name)}.ics`, text, 'text/calendar');
      const change = (stored: Plan): Plan => ({ ...stored, calendar: given });
      await this.store.write(`Calendar of ${choice.student.name}`, [{ table: 'plans', id: choice.plan.id, change }]);
      this.notices.done('Calendar exported', {
        detail: `${this.weeks()} weeks of practice days for ${choice.student.name}. Taken in again it replaces the one before.`,
      });
    } catch (error) {
      const noDays = choice.student.practiceDays.length === 0;
      this.notices.failure('No calendar yet', noDays ? `Give ${choice.student.name} days for practice first.` : error);
    }
  }

  /** The weeks to come on paper, with boxes to tick. */
  protected async printWeeks(): Promise<void> {
    const choice = this.planChoices().find((entry) => entry.id === this.planId());
    if (choice === undefined) return;
    const { student, plan } = choice;
    try {
      const person = await this.personOf(student);
      const days = plannedDays(plan, person, Math.min(this.weeks(), MOST_ON_PAPER));
      const { weekCard } = await import('../print/week-card');
      const routine = choice.routine.name;
      const made = await weekCard({ student: student.name, routine, cautions: student.cautions, days });
      download(`${fileName(`${choice.name} week card`)}.pdf`, made, 'application/pdf');
    } catch (error) {
      const noDays = student.practiceDays.length === 0;
      this.notices.failure('No week card yet', noDays ? `Give ${student.name} days for practice first.` : error);
    }
  }

  /** What is known of a student, as it is stored now. */
  private async personOf({ id }: Student): Promise<PersonRecord> {
    const stored = await firstValueFrom(this.people.stored(id));
    if (stored === null) throw new Error('This student is not here any more.');
    return personRecord(stored, this.clock.today());
  }

  protected async makeAnew(): Promise<void> {
    this.asksAnew.set(false);
    await this.demo.fill();
    this.notices.done('The demo is fresh again');
  }
}
