import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import { Textarea } from 'primeng/textarea';
import { combineLatest, map, switchMap } from 'rxjs';
import { durationWords, homePreview, readLog, type HomePreviewResult, type ReadLog } from '@pomek/core';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { schoolOf } from '../data/gathered';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
import { CameraCodes } from './camera-codes';
import { codeInFile } from './code-reader';
import { DayPipe } from './day.pipe';
import { FileButton } from './file-button';
import { TextField } from './text-field';

/** A file longer than this is no log, bytes. */
const LARGEST = 8 * 1024 * 1024;
const LARGEST_PICTURE = 40 * 1024 * 1024;

/** The log of a sheet comes back: as a file, as a line, as codes; all is seen before anything is kept. */
@Component({
  selector: 'pk-home-log',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CameraCodes, DayPipe, FileButton, TextField, Textarea],
  templateUrl: './home-log-panel.html',
  styleUrl: './home-log-panel.scss',
})
export class HomeLogPanel {
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  private readonly repository = inject(Repository);
  /** In whose file it is taken in; null where it may be anybody’s. */
  readonly studentId = input<string | null>(null);

  protected readonly pasted = signal('');
  /** Texts of files and codes that came in. */
  protected readonly found = signal<readonly string[]>([]);
  protected readonly filming = signal(false);
  protected readonly trouble = signal('');
  protected readonly keeping = signal(false);

  protected readonly read = computed((): ReadLog | null => {
    const texts = [this.pasted(), ...this.found()].filter((text) => text.trim() !== '');
    return texts.length === 0 ? null : readLog(texts.join('\n'));
  });
  private readonly everybody = combineLatest([
    this.repository.students$,
    this.repository.archived$,
    this.repository.schools$,
  ]);
  protected readonly result = toSignal(
    toObservable(this.read).pipe(
      switchMap((read) => {
        if (read?.kind !== 'log') return [null];
        const { log } = read;
        return combineLatest([
          this.everybody,
          this.repository.kept(
            'logs',
            log.logs.map(({ id }) => id),
          ),
        ]).pipe(
          map(([[students, archived, schools], keptLogs]): HomePreviewResult =>
            homePreview(log, {
              students: [...students, ...archived],
              keptLogs,
              schoolOf: (student) => schoolOf(schools, student.schoolId),
              today: this.clock.today(),
            }),
          ),
        );
      }),
    ),
    { initialValue: null },
  );
  protected readonly preview = computed(() => {
    const result = this.result();
    return result?.ok === true ? result.preview : null;
  });
  protected readonly wrong = computed(() => {
    const [read, result] = [this.read(), this.result()];
    if (read?.kind === 'wrong') return read.message;
    return result?.ok === false ? result.message : '';
  });
  protected readonly parts = computed(() => {
    const read = this.read();
    if (read?.kind !== 'parts') return null;
    return { ...read, have: read.of - read.missing.length, words: read.missing.join(', ') };
  });
  protected readonly somebodyElse = computed(() => {
    const preview = this.preview();
    return preview !== null && this.studentId() !== null && preview.student.id !== this.studentId();
  });
  protected readonly length = durationWords;

  protected async choose(files: readonly File[]): Promise<void> {
    this.trouble.set('');
    for (const file of files) {
      const text = await this.textOf(file);
      if (text !== null) this.take(text);
    }
  }

  protected seen(text: string): void {
    this.take(text);
    if (this.read()?.kind === 'log') this.filming.set(false);
  }

  protected clear(): void {
    this.pasted.set('');
    this.found.set([]);
    this.trouble.set('');
    this.filming.set(false);
  }

  /** A part comes to the other parts of an unfinished log; all else begins anew. */
  private take(text: string): void {
    if (this.found().includes(text)) return;
    if (this.read()?.kind === 'parts' && readLog(text).kind !== 'log') {
      this.found.update((texts) => [...texts, text]);
      return;
    }
    this.pasted.set('');
    this.found.set([text]);
  }

  /** All that is new, as one step that can be taken back. */
  protected async keep(): Promise<void> {
    const preview = this.preview();
    if (preview === null || this.keeping()) return;
    this.keeping.set(true);
    const { student, fresh } = preview;
    const cameInAt = this.clock.now().toISOString();
    const [pasted, found] = [this.pasted(), this.found()];
    try {
      await this.store.write(
        `Practices of ${student.name} from home`,
        fresh.map((log) => ({ table: 'logs' as const, add: { ...log, cameInAt } })),
      );
      const count = fresh.length === 1 ? 'One practice' : `${fresh.length} practices`;
      this.notices.done(`${count} of ${student.name} imported`, { undo: true });
      // What came in meanwhile is another log, and stays.
      this.pasted.update((text) => (text === pasted ? '' : text));
      this.found.update((texts) => (texts === found ? [] : texts));
    } catch {
      // The store has said it; the log stays here to be taken in once more.
    } finally {
      this.keeping.set(false);
    }
  }

  private async textOf(file: File): Promise<string | null> {
    const picture = file.type.startsWith('image/');
    if (file.size > (picture ? LARGEST_PICTURE : LARGEST)) {
      this.trouble.set(`${file.name} is too large to be the log of a sheet.`);
      return null;
    }
    if (!picture) return file.text();
    try {
      const text = await codeInFile(file);
      if (text === null) this.trouble.set(`No code is to be read in ${file.name}. Take the picture straight and near.`);
      return text;
    } catch {
      this.trouble.set(`${file.name} is no picture that this browser can open.`);
      return null;
    }
  }
}
