import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import {
  counted,
  durationWords,
  fellShort,
  firmnessFelt,
  handsLine,
  isLineMet,
  logsCsv,
  painPlaces,
  percent,
  strandEffort,
  type Exercise,
  type LogLine,
  type PainPlace,
  type Plan,
  type PracticeLog,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Editing } from '../data/editing';
import { download } from '../ui/download';
import { HandsAnswers } from '../ui/hands-answers';
import { NumberField } from '../ui/number-field';
import { NotKept } from '../ui/not-kept';
import { SideMark } from '../ui/side-mark';
import { TextField } from '../ui/text-field';
import { daysAgo, readDay, shortDay } from '../ui/day-words';
import { CsvImport } from './csv-import';
import { LogByHand } from './log-by-hand';

const FIRST = 6;

/** The practices of a student: what was asked and done, effort, pain, notes. */
@Component({
  selector: 'pk-log-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Button,
    CsvImport,
    FormsModule,
    HandsAnswers,
    InputText,
    LogByHand,
    NotKept,
    NumberField,
    Select,
    SideMark,
    TextField,
  ],
  templateUrl: './log-list.html',
  styleUrl: './log-list.scss',
})
export class LogList {
  private readonly clock = inject(Clock);
  readonly logs = input.required<readonly PracticeLog[]>();
  readonly today = input.required<string>();
  readonly studentId = input.required<string>();
  readonly exercises = input<readonly Exercise[]>([]);
  readonly plans = input<readonly Plan[]>([]);
  readonly added = output<PracticeLog[]>();
  readonly removed = output<PracticeLog>();

  protected readonly way = signal<'hand' | 'table' | null>(null);
  protected readonly correcting = signal<string | null>(null);
  protected readonly edit = new Editing('logs', this.correcting, ({ day }) => `Practice of ${shortDay(day)}`);

  protected readonly places = [...painPlaces];
  protected readonly all = signal(false);
  protected readonly shown = computed(() => (this.all() ? this.logs() : this.logs().slice(0, FIRST)));
  protected readonly more = computed(() => this.logs().length - FIRST);

  protected put(logs: PracticeLog[]): void {
    this.added.emit(logs);
    this.way.set(null);
  }

  /** A sign that is put right counts from when it was, also after a stop was cleared. */
  protected setPain(pain: number | null): void {
    this.edit.set(['pain'], pain);
    this.edit.set(['enteredAt'], this.clock.now().toISOString());
  }

  protected setPlace(place: PainPlace): void {
    this.edit.set(['painPlace'], place);
    this.edit.set(['enteredAt'], this.clock.now().toISOString());
  }

  protected save(): void {
    download('practices.csv', logsCsv(this.logs()), 'text/csv');
  }

  protected when(log: PracticeLog): string {
    return `${readDay(log.day)}, ${daysAgo(log.day, this.today())}`;
  }

  protected length(log: PracticeLog): string {
    return durationWords(log.practisedSeconds);
  }

  protected done(line: LogLine): string {
    if (line.kind === 'hold') return `${durationWords(line.done.seconds)} of ${durationWords(line.asked.seconds)}`;
    const noun = line.kind === 'cycle' ? 'repetition' : 'breath';
    return `${Math.floor(line.done.amount)} of ${counted(Math.floor(line.asked.amount + 1e-9), noun)}`;
  }

  protected readonly met = isLineMet;

  /** The first line of each exercise: its effort is told and set there. */
  protected leads(log: PracticeLog, index: number): boolean {
    const { segmentId } = log.lines[index]!;
    return log.lines.findIndex((line) => line.segmentId === segmentId) === index;
  }

  protected ownEffort(log: PracticeLog, { segmentId }: LogLine): number | null {
    return strandEffort({ lines: log.lines, effort: null }, { segmentId });
  }

  protected setOwnEffort(log: PracticeLog, { segmentId }: LogLine, effort: number | null): void {
    log.lines.forEach((line, index) => {
      if (line.segmentId === segmentId) this.edit.set(['lines', index, 'effort'], effort);
    });
  }

  protected readonly fellShort = fellShort;
  protected readonly limbs = [
    { label: 'the legs gave out', value: 'legs' },
    { label: 'the arms gave out', value: 'arms' },
    { label: 'not said', value: null },
  ];

  protected setGaveOut(log: PracticeLog, { segmentId }: LogLine, by: LogLine['gaveOut']): void {
    log.lines.forEach((line, index) => {
      if (line.segmentId === segmentId && fellShort(line)) this.edit.set(['lines', index, 'gaveOut'], by);
    });
  }

  /** What somebody's hands found, in words. */
  protected hands(log: PracticeLog): string {
    return handsLine(log.hands, (id) => this.stands(log).find(({ exerciseId }) => exerciseId === id)?.name);
  }

  /** The exercises of a practice, for what hands may have tested. */
  protected stands({ lines }: PracticeLog): { exerciseId: string; name: string }[] {
    const all = lines.map(({ exerciseId, exerciseName }) => [exerciseId, { exerciseId, name: exerciseName }] as const);
    return [...new Map(all).values()];
  }

  protected kept(line: LogLine): string {
    const until = line.alignmentKept === null ? '' : `alignment until ${percent(line.alignmentKept)}`;
    const gave = line.gaveOut === null ? '' : `the ${line.gaveOut} gave out`;
    const firm = line.firmness === null ? '' : firmnessFelt(line.firmness);
    return [until, gave, firm].filter((words) => words !== '').join(', ');
  }
}
