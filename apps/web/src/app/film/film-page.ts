import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { switchMap } from 'rxjs';
import {
  MOST_FRAMES,
  filmRates,
  followRuns,
  markWords,
  markedIn,
  newFilm,
  newStill,
  pictureBytes,
  runFrames,
  secondsOf,
  stillAt,
  withFollowed,
  type Curve,
  type FilmPoint,
  type MarkName,
  type Still,
  type WorstMoment,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Editing } from '../data/editing';
import { Notices } from '../data/notices';
import { OpenFilms } from '../data/open-films';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
import { FilmRun } from '../ui/film-run';
import { NumberField } from '../ui/number-field';
import { takenPicture } from '../ui/taken-picture';
import { CurveChart } from './curve-chart';
import { FilmAnswers } from './film-answers';
import { FilmHead } from './film-head';
import { FilmOpening } from './film-opening';
import { FilmPoints } from './film-points';
import { FollowedFilm } from './followed-film';
import { followFilm } from './follow-film';
import { KeepFilm } from './keep-film';
import { Marking, type Marked } from './marking';
import { NotHere } from './not-here';

/** The marks of a still followed through its film: how it moved, what went to and fro, and where each checkpoint is worst. */
@Component({
  selector: 'pk-film-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Button,
    Checkbox,
    CurveChart,
    FilmAnswers,
    FilmHead,
    FilmOpening,
    FilmPoints,
    FilmRun,
    FormsModule,
    KeepFilm,
    Marking,
    NotHere,
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
  /** The student. */
  readonly id = input.required<string>();
  readonly stillId = input.required<string>();

  protected readonly edit = new Editing('films', this.stillId, ({ file }) => `Follow ${file}`);
  protected readonly film = this.edit.draft;
  protected readonly of = new FollowedFilm(this.id, this.stillId, this.film);
  protected readonly still = this.of.still;
  protected readonly student = this.of.filmed.student;
  protected readonly reel = this.of.reel;
  protected readonly progress = signal<{ readonly done: number; readonly all: number } | null>(null);
  private stopping = false;

  protected readonly from = signal<number | null>(null);
  protected readonly to = signal<number | null>(null);
  protected readonly rates = filmRates.map((value) => ({ value, label: `${value} a second` }));
  protected readonly rate = signal<number>(filmRates[0]);
  protected readonly taped = signal(false);
  protected readonly mostSeconds = computed(() => Math.floor(MOST_FRAMES / this.rate()));

  protected readonly active = linkedSignal<string, FilmPoint | null>({ source: this.stillId, computation: () => null });
  /** How many frames are still to be followed. */
  protected readonly open = computed(() => {
    const film = this.film();
    return film == null ? 0 : followRuns(film).reduce((sum, run) => sum + runFrames(run), 0);
  });
  protected readonly marked = computed(() => Object.keys(this.still()?.marks ?? {}).length);

  protected readonly reading = this.of.reading;
  protected readonly curves = computed(() => this.reading()?.curves ?? []);
  protected readonly curveKey = linkedSignal<string, string | null>({ source: this.stillId, computation: () => null });
  protected readonly curveOptions = computed(() =>
    this.curves().map((curve) => ({ key: keyOf(curve), label: `${curve.name}, ${curve.unit}` })),
  );
  protected readonly curve = computed(() => {
    const [reading, curves] = [this.reading(), this.curves()];
    const curve = curves.find((entry) => keyOf(entry) === this.curveKey()) ?? curves[0];
    if (reading === null || curve === undefined) return null;
    const { name, unit, values } = curve;
    const points = values.map((y, frame) => ({ x: reading.seconds[frame]!, y }));
    return { key: keyOf(curve), name, unit, lines: [{ name: 'the film', points }] };
  });
  /** There is another film of the student to stand beside it. */
  private readonly stills = toSignal(toObservable(this.id).pipe(switchMap((id) => this.repository.stillsOf(id))), {
    initialValue: [],
  });
  protected readonly others = computed(
    () => this.stills().filter(({ id, atSeconds }) => atSeconds !== null && id !== this.stillId()).length,
  );

  constructor() {
    inject(DestroyRef).onDestroy(() => (this.stopping = true));
  }

  protected async go(seconds: number): Promise<void> {
    // While it is followed the film is where following has it: another moment would be taken for the one sought.
    if (this.progress() === null) await this.reel.go(seconds);
  }

  protected async goFrame(frame: number): Promise<void> {
    const film = this.film();
    if (film != null) await this.go(secondsOf(film, frame));
  }

  protected async step(way: 1 | -1): Promise<void> {
    await this.go(this.reel.at() + way / (this.film()?.perSecond ?? this.rate()));
  }

  protected async toggle(): Promise<void> {
    if (this.progress() === null) await this.reel.toggle();
  }

  /** The worst moment of a checkpoint, run slowly from a second before. */
  protected async playWorst({ frame }: WorstMoment): Promise<void> {
    const film = this.film();
    if (film == null) return;
    await this.go(secondsOf(film, frame) - 1);
    this.reel.speed.set(0.25);
    await this.reel.play();
  }

  protected async mark({ point, spot, byKey }: Marked): Promise<void> {
    const film = this.film();
    if (film == null) return;
    const frame = this.of.frame();
    await this.edit.change(
      `Mend the ${markWords(point as MarkName, this.still()?.from ?? 'right')}`,
      (stored) => markedIn(stored, frame, point as MarkName, spot),
      byKey ? `mend ${frame} ${point}` : null,
    );
  }

  /** Follows what is to be followed; the first time from the marks of the still. */
  protected async follow(): Promise<void> {
    const [frames, still] = [this.reel.frames(), this.still()];
    if (frames === null || still == null) return;
    this.reel.stand();
    let film = this.film() ?? null;
    if (film === null) {
      film = newFilm(
        still,
        { name: frames.file.name, seconds: frames.seconds },
        { from: this.from() ?? 0, to: this.to() ?? frames.seconds, perSecond: this.rate(), taped: this.taped() },
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
      this.reel.fails(error);
    } finally {
      this.progress.set(null);
      await this.go(this.reel.at());
    }
  }

  protected setTaped(taped: boolean): void {
    void this.edit.change(taped ? 'Tape on the joints' : 'No tape on the joints', (stored) => ({ ...stored, taped }));
  }

  protected stop(): void {
    this.stopping = true;
  }

  /** What was followed is taken away; the still and its marks stay. */
  protected async beginAnew(): Promise<void> {
    await this.store.write('Follow the film again', [{ table: 'films', remove: this.stillId() }]);
    this.notices.done('What was followed is taken away', { undo: true });
  }

  /** The moment that is shown becomes a picture with the points as they are there. */
  protected async keep(): Promise<void> {
    const [frames, still, film] = [this.reel.frames(), this.still(), this.film()];
    const at = this.reel.at();
    if (frames === null || still == null) return;
    const taken = takenPicture(frames.source, still.width, still.height, at);
    const id = this.clock.newId();
    const picture = { id, studentId: still.studentId, data: taken.data };
    const made: Still = newStill({
      ...still,
      id,
      name: `${still.name}, ${at.toFixed(1)} s`.slice(0, 120),
      bytes: pictureBytes(picture),
      ...(film == null ? { marks: {}, found: [] } : stillAt(film, this.of.frame(), still)),
      atSeconds: at,
      note: '',
    });
    await this.store.write(`Picture at ${at.toFixed(1)} s`, [
      { table: 'stills', add: made },
      { table: 'pictures', add: picture },
    ]);
    this.opened.set(id, frames.file);
    await this.router.navigate(['/students', this.id(), 'film', id]);
  }
}

const keyOf = ({ id, side }: Curve): string => `${id} ${side}`;
