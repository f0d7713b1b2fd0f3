import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
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
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { switchMap } from 'rxjs';
import {
  MOST_FRAMES,
  TRUSTED,
  filmRates,
  followRuns,
  frameOf,
  markWords,
  markedIn,
  marksAt,
  newFilm,
  newStill,
  pictureBytes,
  placesOf,
  readFilm,
  runFrames,
  secondsOf,
  withFollowed,
  type Curve,
  type FilmPoint,
  type MarkName,
  type Still,
  type WorstMoment,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Editing } from '../data/editing';
import { KeptFilms } from '../data/kept-films';
import { Notices } from '../data/notices';
import { OpenFilms } from '../data/open-films';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
import { DayPipe } from '../ui/day.pipe';
import { NumberField } from '../ui/number-field';
import { takenPicture } from '../ui/taken-picture';
import { CurveChart } from './curve-chart';
import { FilmAnswers } from './film-answers';
import { FilmFrames } from './film-frames';
import { FilmPoints } from './film-points';
import { Filmed } from './filmed';
import { followFilm } from './follow-film';
import { KeepFilm } from './keep-film';
import { Marking, type Marked } from './marking';

/** A film of another length is another film, s. */
const ANOTHER = 0.6;

/** The marks of a still followed through its film: how it moved, what went to and fro, and where each checkpoint is worst. */
@Component({
  selector: 'pk-film-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Button,
    CurveChart,
    DayPipe,
    FilmAnswers,
    FilmPoints,
    FormsModule,
    KeepFilm,
    Marking,
    NumberField,
    RouterLink,
    Select,
    SelectButton,
  ],
  templateUrl: './film-page.html',
  styleUrl: './film-page.scss',
})
export class FilmPage {
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly repository = inject(Repository);
  private readonly opened = inject(OpenFilms);
  private readonly keptFilms = inject(KeptFilms);
  /** The student. */
  readonly id = input.required<string>();
  readonly stillId = input.required<string>();

  private readonly edit = new Editing('films', this.stillId, ({ file }) => `Follow ${file}`);
  protected readonly film = this.edit.draft;
  protected readonly still = toSignal(
    toObservable(this.stillId).pipe(switchMap((id) => this.repository.one('stills', id))),
  );
  private readonly filmed = new Filmed(this.id, this.still);
  protected readonly student = this.filmed.student;
  protected readonly exercise = this.filmed.exercise;

  protected readonly frames = signal<FilmFrames | null>(null);
  protected readonly opening = signal(false);
  protected readonly trouble = signal('');
  /** The moment that is shown, s, and its picture. */
  protected readonly at = signal(0);
  protected readonly picture = signal<string | null>(null);
  protected readonly running = signal(false);
  protected readonly speeds = [
    { label: '¼', value: 0.25 },
    { label: '½', value: 0.5 },
    { label: 'As filmed', value: 1 },
  ];
  protected readonly speed = signal(0.25);
  protected readonly progress = signal<{ readonly done: number; readonly all: number } | null>(null);
  private stopping = false;

  protected readonly from = signal<number | null>(null);
  protected readonly to = signal<number | null>(null);
  protected readonly rates = filmRates.map((value) => ({ value, label: `${value} a second` }));
  protected readonly rate = signal<number>(filmRates[0]);
  protected readonly mostSeconds = computed(() => Math.floor(MOST_FRAMES / this.rate()));

  protected readonly frame = computed(() => {
    const film = this.film();
    return film == null ? 0 : frameOf(film, this.at());
  });
  private readonly places = computed(() => {
    const [film, still] = [this.film(), this.still()];
    if (still == null) return {};
    if (film != null) return placesOf(film, this.frame());
    const here = still.atSeconds !== null && Math.abs(still.atSeconds - this.at()) < 0.04;
    return Object.fromEntries(
      Object.entries(here ? still.marks : {}).map(([name, spot]) => [name, { ...spot, trust: 100 }]),
    );
  });
  protected readonly points = computed(
    () => this.places() as Readonly<Partial<Record<FilmPoint, { x: number; y: number; trust: number }>>>,
  );
  protected readonly doubted = computed(
    () =>
      new Set<FilmPoint>(
        Object.entries(this.points())
          .filter(([, { trust }]) => trust < TRUSTED)
          .map(([name]) => name as FilmPoint),
      ),
  );
  protected readonly active = linkedSignal<string, FilmPoint | null>({ source: this.stillId, computation: () => null });
  /** How many frames are still to be followed. */
  protected readonly open = computed(() => {
    const film = this.film();
    return film == null ? 0 : followRuns(film).reduce((sum, run) => sum + runFrames(run), 0);
  });
  /** Where the followed stretch ends, or the film, s. */
  protected readonly end = computed(() => {
    const film = this.film();
    return film == null ? (this.frames()?.seconds ?? 0) : secondsOf(film, film.frames - 1);
  });
  protected readonly marked = computed(() => Object.keys(this.still()?.marks ?? {}).length);

  protected readonly reading = computed(() => {
    const [film, still, terms] = [this.film(), this.still(), this.filmed.terms()];
    if (film == null || Object.keys(film.tracks).length === 0 || still == null || terms === null) return null;
    return readFilm(film, still, terms);
  });
  protected readonly curves = computed(() => this.reading()?.motion.curves ?? []);
  protected readonly curveKey = linkedSignal<string, string | null>({ source: this.stillId, computation: () => null });
  protected readonly curveOptions = computed(() =>
    this.curves().map((curve) => ({ key: keyOf(curve), label: `${curve.name}, ${curve.unit}` })),
  );
  protected readonly curve = computed(
    () => this.curves().find((curve) => keyOf(curve) === this.curveKey()) ?? this.curves()[0] ?? null,
  );

  constructor() {
    effect(() => {
      const id = this.stillId();
      untracked(() => {
        this.frames()?.close();
        this.frames.set(null);
        void this.openKnown(id);
      });
    });
    inject(DestroyRef).onDestroy(() => {
      this.stopping = true;
      this.frames()?.close();
    });
  }

  protected async choose(field: HTMLInputElement): Promise<void> {
    const [file] = field.files ?? [];
    field.value = '';
    if (file !== undefined) await this.use(file);
  }

  /** Opens the film where it was opened before, or is kept here. */
  private async openKnown(stillId: string): Promise<void> {
    const file = this.opened.of(stillId) ?? (await this.keptFilms.of(stillId));
    if (file !== null && this.stillId() === stillId && this.frames() === null) await this.use(file);
  }

  private async use(file: File): Promise<void> {
    this.trouble.set('');
    this.opening.set(true);
    try {
      const frames = await FilmFrames.open(file);
      const film = this.film();
      if (film != null && Math.abs(film.seconds - frames.seconds) > ANOTHER) {
        frames.close();
        throw new Error(
          `${file.name} is ${frames.seconds.toFixed(1)} s long, and the film that was followed ${film.seconds.toFixed(1)} s: it is another one.`,
        );
      }
      this.frames()?.close();
      this.frames.set(frames);
      this.opened.set(this.stillId(), file);
      await this.go(this.still()?.atSeconds ?? 0);
    } catch (error) {
      this.trouble.set(error instanceof Error ? error.message : String(error));
    } finally {
      this.opening.set(false);
    }
  }

  protected async go(seconds: number): Promise<void> {
    // While it is followed the film is where following has it: another moment would be taken for the one sought.
    if (this.progress() !== null) return;
    const frames = this.frames();
    this.stand();
    if (frames === null) {
      this.at.set(seconds);
      return;
    }
    this.at.set(Math.max(0, Math.min(frames.seconds, seconds)));
    try {
      await frames.seek(seconds);
      this.show();
    } catch (error) {
      this.trouble.set(error instanceof Error ? error.message : String(error));
    }
  }

  protected async goFrame(frame: number): Promise<void> {
    const film = this.film();
    if (film != null) await this.go(secondsOf(film, frame));
  }

  protected async step(event: Event | null, way: 1 | -1): Promise<void> {
    event?.preventDefault();
    const rate = this.film()?.perSecond ?? this.rate();
    await this.go(this.at() + way / rate);
  }

  protected async toggle(event?: Event): Promise<void> {
    event?.preventDefault();
    if (this.running()) this.stand();
    else await this.play();
  }

  /** Runs from where it is, at the chosen speed, until it is stopped or the film ends. */
  private async play(): Promise<void> {
    const frames = this.frames();
    if (frames === null || this.progress() !== null) return;
    await frames.run(this.speed());
    this.running.set(true);
    const look = (): void => {
      if (!this.running()) return;
      this.at.set(frames.at);
      this.show();
      if (frames.running) requestAnimationFrame(look);
      else this.running.set(false);
    };
    requestAnimationFrame(look);
  }

  private stand(): void {
    this.running.set(false);
    this.frames()?.stop();
  }

  private show(): void {
    const [frames, still] = [this.frames(), this.still()];
    if (frames !== null && still != null) this.picture.set(frames.shown(still.width, still.height));
  }

  /** The worst moment of a checkpoint, run slowly from a second before. */
  protected async playWorst({ frame }: WorstMoment): Promise<void> {
    const film = this.film();
    if (film == null) return;
    await this.go(secondsOf(film, frame) - 1);
    this.speed.set(0.25);
    await this.play();
  }

  protected async mark({ point, spot, byKey }: Marked): Promise<void> {
    const film = this.film();
    if (film == null) return;
    const frame = this.frame();
    await this.edit.change(
      `Mend the ${markWords(point as MarkName, this.still()?.from ?? 'right')}`,
      (stored) => markedIn(stored, frame, point as MarkName, spot),
      byKey ? `mend ${frame} ${point}` : null,
    );
  }

  /** Follows what is to be followed; the first time from the marks of the still. */
  protected async follow(): Promise<void> {
    const [frames, still] = [this.frames(), this.still()];
    if (frames === null || still == null) return;
    this.stand();
    let film = this.film() ?? null;
    if (film === null) {
      film = newFilm(
        still,
        { name: frames.file.name, seconds: frames.seconds },
        { from: this.from() ?? 0, to: this.to() ?? frames.seconds, perSecond: this.rate() },
      );
      await this.store.write(`Follow ${film.file}`, [{ table: 'films', add: film }]);
    }
    this.stopping = false;
    this.progress.set({ done: 0, all: this.open() });
    try {
      await followFilm(film, still, frames, {
        progress: (done, all) => {
          this.progress.set({ done, all });
        },
        found: async (run, found) => {
          await this.edit.change(`Follow ${film.file}`, (stored) => withFollowed(stored, run, found), 'follow');
        },
        stopped: () => this.stopping,
      });
    } catch (error) {
      this.trouble.set(error instanceof Error ? error.message : String(error));
    } finally {
      this.progress.set(null);
      await this.go(this.at());
    }
  }

  protected stop(): void {
    this.stopping = true;
  }

  /** What was followed is taken away; the still and its marks stay. */
  protected async beginAnew(): Promise<void> {
    await this.store.write('Begin following anew', [{ table: 'films', remove: this.stillId() }]);
    this.notices.done('What was followed is taken away', { undo: true });
  }

  /** The moment that is shown becomes a picture with the points as they are there. */
  protected async keep(): Promise<void> {
    const [frames, still, film] = [this.frames(), this.still(), this.film()];
    if (frames === null || still == null) return;
    const taken = takenPicture(frames.source, still.width, still.height, this.at());
    const id = this.clock.newId();
    const picture = { id, studentId: still.studentId, data: taken.data };
    const made: Still = newStill({
      ...still,
      id,
      name: `${still.name}, ${this.at().toFixed(1)} s`.slice(0, 120),
      bytes: pictureBytes(picture),
      marks: film == null ? {} : marksAt(film, this.frame()),
      atSeconds: this.at(),
      note: '',
    });
    await this.store.write(`Picture at ${this.at().toFixed(1)} s`, [
      { table: 'stills', add: made },
      { table: 'pictures', add: picture },
    ]);
    this.opened.set(id, frames.file);
    await this.router.navigate(['/students', this.id(), 'film', id]);
  }
}

const keyOf = ({ id, side }: Curve): string => `${id} ${side}`;
