import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Password } from 'primeng/password';
import { Select } from 'primeng/select';
import { SHORTEST_PASSPHRASE, type BundleKind, routineContents, soundBytes, writeBundle } from '@pomek/core';
import { Clock } from '../data/clock';
import { DemoSpace } from '../data/demo-space';
import { Notices } from '../data/notices';
import { Repository } from '../data/repository';
import { SPACE } from '../data/space';
import { WholeSpace } from '../data/whole-space';
import { download, fileName } from '../ui/download';
import { sizeWords } from '../ui/size-words';
import { LastCopy } from '../ui/last-copy';
import { HomeLogPanel } from '../ui/home-log-panel';
import { CopyFolderPanel } from './copy-folder-panel';
import { DurablePanel } from './durable-panel';
import { ImportPanel } from './import-panel';
import { DayPipe } from '../ui/day.pipe';
import { RemoveAll } from './remove-all';
import { CountedPipe } from '../ui/counted.pipe';
import { SetAsidePanel } from './set-aside-panel';

/** What goes out and what comes in. */
@Component({
  selector: 'pk-files',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Button,
    Checkbox,
    CopyFolderPanel,
    CountedPipe,
    DayPipe,
    DurablePanel,
    FormsModule,
    HomeLogPanel,
    ImportPanel,
    Password,
    RemoveAll,
    RouterLink,
    Select,
    SetAsidePanel,
  ],
  templateUrl: './files.html',
  styleUrl: './files.scss',
})
export class Files {
  private readonly clock = inject(Clock);
  private readonly whole = inject(WholeSpace);
  protected readonly copy = inject(LastCopy);
  private readonly notices = inject(Notices);
  private readonly repository = inject(Repository);
  protected readonly demo = inject(DemoSpace);
  protected readonly space = inject(SPACE);

  protected readonly routines = toSignal(this.repository.routines$, { initialValue: [] });

  protected readonly routineId = signal<string | null>(null);
  protected readonly asksAnew = signal(false);
  /** The pictures of students go along only where the teacher wants it. */
  protected readonly withPictures = signal(false);
  protected readonly pictures = toSignal(this.repository.all('stills'), { initialValue: [] });
  protected readonly pictureSize = computed(() =>
    sizeWords(this.pictures().reduce((sum, { bytes }) => sum + bytes, 0)),
  );

  /** Lines in the teacher’s own voice go along only where that is wanted. */
  protected readonly withVoice = signal(false);
  protected readonly recordings = toSignal(this.repository.all('recordings'), { initialValue: [] });
  protected readonly voiceSize = computed(() =>
    sizeWords(this.recordings().reduce((sum, recording) => sum + soundBytes(recording), 0)),
  );

  /** Locks the file; null where it is not to be locked. */
  protected readonly passphrase = signal<string | null>(null);
  protected readonly shortest = SHORTEST_PASSPHRASE;
  protected readonly tooShort = computed(() => {
    const passphrase = this.passphrase();
    return passphrase !== null && passphrase.length < SHORTEST_PASSPHRASE;
  });

  protected async exportAll(): Promise<void> {
    const left = new Set<BundleKind>([
      ...(this.withPictures() ? [] : ['pictures' as const]),
      ...(this.withVoice() ? [] : ['recordings' as const]),
    ]);
    await this.copy.make(left, this.passphrase());
  }

  protected async exportRoutine(): Promise<void> {
    const routine = this.routines().find((entry) => entry.id === this.routineId());
    if (routine === undefined) return;
    const contents = routineContents(routine, await this.whole.read(['schools', 'exercises']));
    download(`${fileName(routine.name)}.json`, writeBundle(contents, this.clock.now()), 'application/json');
    this.notices.done(`${routine.name} exported`);
  }

  protected async makeAnew(): Promise<void> {
    this.asksAnew.set(false);
    if (await this.demo.fill()) this.notices.done('The demo is fresh again');
  }
}
