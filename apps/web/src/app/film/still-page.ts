import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import equal from 'fast-deep-equal';
import { catchError, firstValueFrom, from as asStream, of, switchMap } from 'rxjs';
import {
  drawingOver,
  filmFromWords,
  filmFrom,
  isSideView,
  laidOver,
  newCorrection,
  poseOver,
  readStill,
  seenFrom,
  type Correction,
  type FigurePose,
  type FilmFrom,
  type FilmScale,
  type PointSeen,
  type Still,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Editing } from '../data/editing';
import { Notices } from '../data/notices';
import { Repository } from '../data/repository';
import { stillRemoval } from '../data/still-removal';
import { Store } from '../data/store';
import { BodyForms } from '../space/body-forms';
import { bodyAlone } from '../space/body-pictures';
import { DayPipe } from '../ui/day.pipe';
import { DayField } from '../ui/day-field';
import { NotKept } from '../ui/not-kept';
import { NumberField } from '../ui/number-field';
import { StillPicture } from '../ui/still-picture';
import { TextField } from '../ui/text-field';
import { FilmHead } from './film-head';
import { Filmed } from './filmed';
import { FindBody } from './find-body';
import { Marking, type BodyOver } from './marking';
import { NotHere } from './not-here';
import { StillAnswers } from './still-answers';
import { StillBeside } from './still-beside';
import { StillMarks } from './still-marks';

/** What is laid over a still. */
interface WantedOver extends Pick<Still, 'from' | 'marks' | 'plumb'> {
  readonly pose: FigurePose;
  readonly cmPerPx: number | null;
}

/** A still of a student: its joints are marked, and angles, lines and checkpoints read off it. */
@Component({
  selector: 'pk-still-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Button,
    Checkbox,
    DayPipe,
    FilmHead,
    FindBody,
    DayField,
    FormsModule,
    InputText,
    Marking,
    NotHere,
    NotKept,
    NumberField,
    RouterLink,
    Select,
    SelectButton,
    StillAnswers,
    StillPicture,
    TextField,
  ],
  templateUrl: './still-page.html',
  styleUrl: './still-page.scss',
})
export class StillPage {
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly repository = inject(Repository);
  private readonly forms = inject(BodyForms);
  /** The student. */
  readonly id = input.required<string>();
  readonly stillId = input.required<string>();

  protected readonly edit = new Editing('stills', this.stillId, ({ name }) => `Change ${name}`);
  protected readonly still = this.edit.draft;
  private readonly kept = toSignal(
    toObservable(this.stillId).pipe(switchMap((id) => this.repository.one('pictures', id))),
  );
  protected readonly picture = computed(() => this.kept()?.data ?? null);
  /** The picture itself is not on this machine. */
  protected readonly gone = computed(() => this.kept() === null);
  private readonly filmed = new Filmed(this.id, this.still);
  protected readonly student = this.filmed.student;
  protected readonly exercise = this.filmed.exercise;
  protected readonly corrections = toSignal(
    toObservable(this.id).pipe(switchMap((id) => this.repository.ofStudent('corrections', id))),
    { initialValue: [] },
  );

  protected readonly reading = computed(() => {
    const [still, terms] = [this.still(), this.filmed.terms()];
    return still == null || terms === null ? null : readStill(still, terms);
  });
  protected readonly marks = new StillMarks(this.edit);
  protected readonly beside = new StillBeside(this.stillId, this.filmed, this.reading);
  protected readonly laid = signal(false);
  protected readonly over = computed(() => {
    const [still, terms, reading] = [this.still(), this.filmed.terms(), this.reading()];
    if (!this.laid() || still == null || terms === null || reading === null) return null;
    return poseOver(still, terms.pose, reading.cmPerPx);
  });

  /** What is laid over, as a body: null until it is drawn, and where it cannot be. */
  protected readonly overBody = toSignal(
    toObservable(
      computed(
        () => {
          const [still, terms, reading] = [this.still(), this.filmed.terms(), this.reading()];
          if (!this.laid() || still == null || terms === null || reading === null) return null;
          const { from, marks, plumb } = still;
          return { from, marks, plumb, pose: terms.pose, cmPerPx: reading.cmPerPx };
        },
        { equal },
      ),
    ).pipe(
      switchMap((wanted) =>
        wanted === null ? of(null) : asStream(this.drawnOver(wanted)).pipe(catchError(() => of(null))),
      ),
    ),
    { initialValue: null },
  );

  protected readonly views = filmFrom.map((value) => ({ value, label: filmFromWords(value) }));
  protected readonly workings = [
    { label: 'Left', value: 'left' },
    { label: 'Right', value: 'right' },
  ];
  protected readonly drills = computed(() => [
    { id: null, name: 'None: a plain stand' },
    ...this.filmed.exercises().map(({ id, name }) => ({ id, name })),
  ]);
  protected readonly scales = computed((): { label: string; value: FilmScale }[] => {
    const side = isSideView(this.still()?.from ?? 'right');
    return [
      side ? { label: 'the foot', value: 'foot' } : { label: 'the trunk', value: 'trunk' },
      ...(side ? [{ label: 'the trunk', value: 'trunk' as const }] : []),
      { label: 'a known length', value: 'length' },
    ];
  });

  /** Checkpoints that were noted from this still, by id. */
  protected readonly noted = computed(
    () =>
      new Set(
        this.corrections()
          .filter(({ stillId }) => stillId === this.stillId())
          .map(({ checkpointId }) => checkpointId),
      ),
  );

  private async drawnOver({ from, marks, plumb, pose, cmPerPx }: WantedOver): Promise<BodyOver | null> {
    const at = laidOver({ from, marks, plumb }, pose, cmPerPx);
    if (at === null || typeof WebGL2RenderingContext === 'undefined') return null;
    const drawn = await bodyAlone(await firstValueFrom(this.forms.of(pose.body)), pose, from);
    return drawn && { ...drawn, transform: `matrix(${drawingOver(from, at, drawn).join(' ')})` };
  }

  protected look(from: FilmFrom): void {
    void this.edit.change('Seen from elsewhere', (stored) => seenFrom(stored, from));
  }

  protected measureBy(scale: FilmScale): void {
    void this.edit.change('What the size is known by', (stored) => ({ ...stored, scale }));
    if (scale === 'length') this.marks.active.set('length from');
  }

  protected setLength(cm: number | null): void {
    if (cm === null) return;
    void this.edit.change(
      'The known length',
      (stored) => (stored.length === null ? stored : { ...stored, length: { ...stored.length, cm } }),
      'length',
    );
  }

  /** What was seen goes into the corrections, with this still. */
  protected async note({ checkpoint }: PointSeen): Promise<void> {
    const made: Correction = newCorrection(
      this.clock.newId(),
      this.id(),
      checkpoint,
      this.still()?.day ?? this.clock.today(),
      this.stillId(),
    );
    const meaning = ['correction', made.studentId, checkpoint.id, this.stillId()];
    await this.store.writeOnce(`Correction: ${checkpoint.region}`, [{ table: 'corrections', add: made }], meaning);
    this.notices.done(`Noted: ${checkpoint.region}`, { detail: checkpoint.cue, undo: true });
  }

  protected async remove(still: Still): Promise<void> {
    await this.store.write('Remove a picture', stillRemoval(still.id));
    this.notices.done('Picture removed', { undo: true });
    await this.router.navigate(['/students', this.id()], { queryParams: { part: 'film' } });
  }
}
