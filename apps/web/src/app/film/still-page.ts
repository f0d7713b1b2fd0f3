import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
  untracked,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { switchMap } from 'rxjs';
import {
  comparedFigures,
  filmFromWords,
  filmFrom,
  isSideView,
  marksWanted,
  newCorrection,
  hasLine,
  isLineEnd,
  lookedAt,
  nextMark,
  otherEnd,
  pointAfter,
  pointsOf,
  poseOver,
  readStill,
  seenFrom,
  stillTerms,
  withFound,
  withLine,
  withoutPoint,
  withPoint,
  type Correction,
  type FilmFrom,
  type FilmPoint,
  type FilmScale,
  type FilmSpot,
  type FoundBody,
  type LineEnd,
  type PointSeen,
  type Still,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Editing } from '../data/editing';
import { Notices } from '../data/notices';
import { Repository } from '../data/repository';
import { stillRemoval } from '../data/still-removal';
import { Store } from '../data/store';
import { DayPipe } from '../ui/day.pipe';
import { shortDay } from '../ui/day-words';
import { NotKept } from '../ui/not-kept';
import { NumberField } from '../ui/number-field';
import { StillPicture } from '../ui/still-picture';
import { TextField } from '../ui/text-field';
import { FilmHead } from './film-head';
import { Filmed } from './filmed';
import { FindBody } from './find-body';
import { Marking, type Marked } from './marking';
import { NotHere } from './not-here';
import { pointWords } from './point-words';
import { StillAnswers } from './still-answers';

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
  private readonly school = this.filmed.school;
  protected readonly exercises = this.filmed.exercises;
  protected readonly exercise = this.filmed.exercise;
  protected readonly corrections = toSignal(
    toObservable(this.id).pipe(switchMap((id) => this.repository.ofStudent('corrections', id))),
    { initialValue: [] },
  );

  protected readonly reading = computed(() => {
    const [still, terms] = [this.still(), this.filmed.terms()];
    return still == null || terms === null ? null : readStill(still, terms);
  });
  protected readonly points = computed(() => {
    const still = this.still();
    const begun = this.begun();
    return still == null ? {} : { ...pointsOf(still), ...(begun === null ? {} : { [begun.end]: begun.spot }) };
  });
  protected readonly laid = signal(false);
  protected readonly over = computed(() => {
    const [still, terms, reading] = [this.still(), this.filmed.terms(), this.reading()];
    if (!this.laid() || still == null || terms === null || reading === null) return null;
    return poseOver(still, terms.pose, reading.cmPerPx);
  });

  /** Which picture is marked, and from where it is seen. */
  private readonly place = computed(() => `${this.still()?.id ?? ''} ${this.still()?.from ?? ''}`);
  /** One end of a line whose other end is not set yet: nothing is read from it, and nothing kept. */
  private readonly begun = linkedSignal<string, { readonly end: LineEnd; readonly spot: FilmSpot } | null>({
    source: this.place,
    computation: () => null,
  });
  /** The point that is set or moved. */
  protected readonly active = linkedSignal<string, FilmPoint | null>({
    source: this.place,
    computation: () => {
      // Another picture, or another view of it, begins with what is missing; a mark that is set does not.
      const still = untracked(this.still);
      return still == null ? null : nextMark(still);
    },
  });
  protected readonly chips = computed(() => {
    const [still, points] = [this.still(), this.points()];
    if (still == null) return [];
    const wanted: FilmPoint[] = [...marksWanted(still.from), 'plumb from', 'plumb to'];
    if (still.scale === 'length') wanted.push('length from', 'length to');
    return wanted.map((point) => {
      const [set, words] = [points[point] !== undefined, pointWords(point, still.from)];
      const found = this.found().has(point);
      return {
        point,
        set,
        found,
        words,
        said: `${words}, ${!set ? 'not marked' : found ? 'found, not looked at' : 'marked'}`,
      };
    });
  });
  /** What the machine has found and nobody has looked at. */
  protected readonly found = computed(() => new Set<FilmPoint>(this.still()?.found));
  protected readonly next = computed(() => {
    const [still, active] = [this.still(), this.active()];
    if (still == null) return '';
    if (active === null && this.found().size > 0) return 'Press each point that was found where it is right.';
    if (active === null) return 'All is marked. Press a mark to move it.';
    const verb =
      this.points()[active] === undefined
        ? 'press where it is'
        : this.found().has(active)
          ? 'found here; press it or Enter where that is right, else drag it'
          : 'drag it, or use the arrow keys';
    return `${pointWords(active, still.from)}: ${verb}.`;
  });

  protected readonly views = filmFrom.map((value) => ({ value, label: filmFromWords(value) }));
  protected readonly workings = [
    { label: 'Left', value: 'left' },
    { label: 'Right', value: 'right' },
  ];
  protected readonly drills = computed(() => [
    { id: null, name: 'None: a plain stand' },
    ...this.exercises().map(({ id, name }) => ({ id, name })),
  ]);
  protected readonly scales = computed((): { label: string; value: FilmScale }[] => {
    const side = isSideView(this.still()?.from ?? 'right');
    return [
      side ? { label: 'the foot', value: 'foot' } : { label: 'the trunk', value: 'trunk' },
      ...(side ? [{ label: 'the trunk', value: 'trunk' as const }] : []),
      { label: 'a known length', value: 'length' },
    ];
  });
  private readonly stills = toSignal(toObservable(this.id).pipe(switchMap((id) => this.repository.stillsOf(id))), {
    initialValue: [],
  });
  /** The still that stands beside this one, by id, and whether it is seen in a mirror. */
  protected readonly besideId = linkedSignal<string, string | null>({ source: this.stillId, computation: () => null });
  protected readonly mirrored = signal(false);
  protected readonly others = computed(() => [
    { id: null, name: 'nothing' },
    ...this.stills()
      .filter(({ id }) => id !== this.stillId())
      .map(({ id, name, day, from }) => ({ id, name: `${shortDay(day)}: ${name}, ${filmFromWords(from)}` })),
  ]);
  protected readonly beside = computed(() => this.stills().find(({ id }) => id === this.besideId()) ?? null);
  protected readonly compared = computed(() => {
    const [still, reading, student] = [this.beside(), this.reading(), this.student()];
    if (still === null || reading === null || student == null) return null;
    const exercise = this.exercises().find(({ id }) => id === still.exerciseId) ?? null;
    const other = readStill(still, stillTerms(still, student, exercise, this.school()));
    return comparedFigures(reading.figures, other.figures, this.mirrored());
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

  protected async mark({ point, spot, byKey }: Marked): Promise<void> {
    const still = this.still();
    if (still == null) return;
    const label = `Mark the ${pointWords(point, still.from)}`;
    if (isLineEnd(point) && !hasLine(still, point)) {
      const begun = this.begun();
      if (begun?.end !== otherEnd(point)) {
        this.begun.set({ end: point, spot });
        if (!byKey) this.active.set(otherEnd(point));
        return;
      }
      this.begun.set(null);
      if (!byKey) this.active.set(nextMark(still));
      await this.edit.change(
        label,
        (stored) => withLine(stored, point, spot, begun.spot),
        byKey ? `mark ${point}` : null,
      );
      return;
    }
    const fresh = this.points()[point] === undefined || this.found().has(point);
    if (!byKey && fresh) this.active.set(pointAfter(withPoint(still, point, spot), point));
    await this.edit.change(label, (stored) => withPoint(stored, point, spot), byKey ? `mark ${point}` : null);
  }

  protected async unmark(point: FilmPoint): Promise<void> {
    const still = this.still();
    if (still == null || this.points()[point] === undefined) return;
    if (this.begun()?.end === point) return this.begun.set(null);
    await this.edit.change(`Take the ${pointWords(point, still.from)} away`, (stored) => withoutPoint(stored, point));
  }

  /** On to what is missing or not looked at; what was found under the keys is right where it is. */
  protected async goOn(): Promise<void> {
    const [still, active] = [this.still(), this.active()];
    if (still == null || active === null) return;
    if (isLineEnd(active) || !this.found().has(active)) return this.active.set(pointAfter(still, active));
    this.active.set(pointAfter(lookedAt(still, active), active));
    const label = `The ${pointWords(active, still.from)} is right`;
    await this.edit.change(label, (stored) => lookedAt(stored, active));
  }

  protected async setFound(body: FoundBody): Promise<void> {
    const before = this.still();
    if (before == null) return;
    const after = withFound(before, body);
    await this.edit.change('Find the body', (stored) => withFound(stored, body));
    this.active.set(nextMark(after));
    const [count, seen] = [after.found.length, filmFromWords(after.from)];
    this.notices.done(`${count} ${count === 1 ? 'point' : 'points'} found`, {
      detail: after.from === before.from ? 'Look at each: press it where it is right.' : `Looked at as ${seen}.`,
      undo: true,
    });
  }

  protected async allRight(): Promise<void> {
    await this.edit.change('All found points are right', (stored) => lookedAt(stored));
    this.active.set(null);
  }

  protected look(from: FilmFrom): void {
    void this.edit.change('Seen from elsewhere', (stored) => seenFrom(stored, from));
  }

  protected measureBy(scale: FilmScale): void {
    void this.edit.change('What the size is known by', (stored) => ({ ...stored, scale }));
    if (scale === 'length') this.active.set('length from');
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
    await this.store.write(`Correction: ${checkpoint.region}`, [{ table: 'corrections', add: made }]);
    this.notices.done(`Noted: ${checkpoint.region}`, { detail: checkpoint.cue, undo: true });
  }

  protected async remove(still: Still): Promise<void> {
    await this.store.write('Remove a picture', stillRemoval(still.id));
    this.notices.done('Picture removed', { undo: true });
    await this.router.navigate(['/students', this.id()], { queryParams: { part: 'film' } });
  }
}
