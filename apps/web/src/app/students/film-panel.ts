import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { switchMap } from 'rxjs';
import {
  filmFromWords,
  newStill,
  pictureBytes,
  readStill,
  stillTerms,
  type Exercise,
  type School,
  type Still,
  type Student,
  counted,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { freeBytes } from '../data/free-bytes';
import { KeptFilms } from '../data/kept-films';
import { Notices } from '../data/notices';
import { Repository } from '../data/repository';
import { stillRemoval } from '../data/still-removal';
import { Store } from '../data/store';
import { OpenFilms } from '../data/open-films';
import { DayPipe } from '../ui/day.pipe';
import { FileButton } from '../ui/file-button';
import { Empty } from '../ui/empty';
import { sizeWords } from '../ui/size-words';
import { StillPicture } from '../ui/still-picture';
import { pictureInFile, type TakenPicture } from '../ui/taken-picture';
import { CameraPicture } from './camera-picture';
import { FilmPlayer } from './film-player';
import { RowKeys } from '../ui/row-keys';

/** So many are shown at first, the newest. */
const FIRST = 12;

/** Pictures and films of a student: opened, taken and kept on this machine; each still with what it says. */
@Component({
  selector: 'pk-film',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CameraPicture, DayPipe, Empty, FileButton, FilmPlayer, RouterLink, StillPicture, RowKeys],
  templateUrl: './film-panel.html',
  styleUrl: './film-panel.scss',
})
export class FilmPanel {
  private readonly store = inject(Store);
  private readonly repository = inject(Repository);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly opened = inject(OpenFilms);
  private readonly keptFilms = inject(KeptFilms);
  readonly student = input.required<Student>();
  readonly school = input.required<School>();
  readonly stills = input.required<readonly Still[]>();
  readonly exercises = input.required<readonly Exercise[]>();

  protected readonly film = signal<File | null>(null);
  protected readonly filming = signal(false);
  protected readonly over = signal(false);
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  /** What is free in the browser, bytes; null where it does not say. */
  protected readonly free = signal<number | null>(null);
  protected readonly more = signal(false);

  protected readonly shown = computed(() => (this.more() ? this.stills() : this.stills().slice(0, FIRST)));
  private readonly followed = toSignal(
    toObservable(computed(() => this.stills().map(({ id }) => id))).pipe(
      switchMap((ids) => this.repository.kept('films', ids)),
    ),
    { initialValue: new Set<string>() },
  );
  protected readonly rows = computed(() =>
    this.shown().map((still) => {
      const exercise = this.exercises().find(({ id }) => id === still.exerciseId) ?? null;
      const { points, missing } = readStill(still, stillTerms(still, this.student(), exercise, this.school()));
      const outside = points.filter(({ verdict }) => verdict === 'outside');
      const within = points.filter(({ verdict }) => verdict === 'within').length;
      const said =
        outside.length > 0
          ? outside.map(({ why, said }) => `${why.replace(/\.$/, '')}: ${said}.`).join(' ')
          : within > 0
            ? `${counted(within, 'point')} within, none outside.`
            : missing.length > 0
              ? 'Not marked yet.'
              : 'Nothing can be judged from here.';
      const film = still.atSeconds === null ? '' : this.followed().has(still.id) ? 'Followed' : 'Follow it';
      return {
        still,
        film,
        outside: outside.length > 0,
        said,
        view: filmFromWords(still.from),
        drill: exercise?.name ?? '',
      };
    }),
  );
  private readonly filmBytes = toSignal(
    toObservable(computed(() => this.student().id)).pipe(switchMap((id) => this.keptFilms.allOf(id))),
    { initialValue: 0 },
  );
  protected readonly space = computed(() => {
    const bytes = this.stills().reduce((sum, still) => sum + still.bytes, 0);
    const free = this.free();
    const films = this.filmBytes() === 0 ? '' : `; films stored here, ${sizeWords(this.filmBytes())}`;
    const kept = `${counted(this.stills().length, 'picture')}, ${sizeWords(bytes)}${films}`;
    return free === null ? kept : `${kept}; ${sizeWords(free)} free in this browser`;
  });

  constructor() {
    void this.lookForRoom();
    effect(() => void this.keptFilms.tidy(this.student().id));
  }

  protected async choose([file]: readonly File[]): Promise<void> {
    if (file !== undefined) await this.open(file);
  }

  protected async drop(event: DragEvent): Promise<void> {
    event.preventDefault();
    this.over.set(false);
    const file = event.dataTransfer?.files[0];
    if (file !== undefined) await this.open(file);
  }

  protected hover(event: Event, over: boolean): void {
    event.preventDefault();
    this.over.set(over);
  }

  /** The name of a file without its ending. */
  protected nameOf({ name }: File): string {
    return name.replace(/\.[^.]*$/, '');
  }

  /** The day on which a file was written last: as a rule that on which it was filmed. */
  protected dayOf({ lastModified }: File): string {
    const [day, today] = [this.clock.dayOf(new Date(lastModified)), this.clock.today()];
    return day < today ? day : today;
  }

  private async open(file: File): Promise<void> {
    this.trouble.set('');
    this.film.set(null);
    this.filming.set(false);
    if (file.type.startsWith('video/')) {
      this.film.set(file);
      return;
    }
    if (!file.type.startsWith('image/')) {
      this.trouble.set(`${file.name} is neither a picture nor a film.`);
      return;
    }
    this.busy.set(true);
    try {
      await this.keep(await pictureInFile(file), this.nameOf(file), this.dayOf(file));
    } catch (error) {
      this.trouble.set(error instanceof Error ? error.message : String(error));
    } finally {
      this.busy.set(false);
    }
  }

  /** Keeps a picture with nothing on it yet, as one step that can be taken back, and opens it. */
  protected async keep(
    taken: TakenPicture,
    name: string,
    day = this.clock.today(),
    film: File | null = null,
  ): Promise<void> {
    const { id: studentId } = this.student();
    const id = this.clock.newId();
    const picture = { id, studentId, data: taken.data };
    const still = newStill({
      id,
      studentId,
      day,
      name: name.trim().slice(0, 120) || 'Picture',
      width: taken.width,
      height: taken.height,
      bytes: pictureBytes(picture),
      atSeconds: taken.atSeconds,
    });
    try {
      await this.store.write(`Picture of ${this.student().name}`, [
        { table: 'stills', add: still },
        { table: 'pictures', add: picture },
      ]);
    } catch {
      // The store has said it; nothing was kept, and what is open stays open.
      return;
    }
    if (film !== null) this.opened.set(id, film);
    await this.router.navigate(['/students', studentId, 'film', id]);
  }

  protected async remove(still: Still): Promise<void> {
    await this.store.write('Remove a picture', stillRemoval(still.id));
    this.notices.done('Picture removed', { undo: true });
  }

  private async lookForRoom(): Promise<void> {
    this.free.set(await freeBytes());
  }
}
