import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Select } from 'primeng/select';
import { bundleKinds, type BundleKind, routineContents, soundBytes, withinSize, writeBundle } from '@pomek/core';
import { Clock } from '../data/clock';
import { DemoSpace } from '../data/demo-space';
import { Notices } from '../data/notices';
import { Repository } from '../data/repository';
import { SPACE } from '../data/space';
import { WholeSpace } from '../data/whole-space';
import { download, fileName } from '../ui/download';
import { sizeWords } from '../ui/size-words';
import { HomeLogPanel } from '../ui/home-log-panel';
import { ImportPanel } from './import-panel';

/** What goes out and what comes in. */
@Component({
  selector: 'pk-files',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, FormsModule, HomeLogPanel, ImportPanel, Select, RouterLink],
  templateUrl: './files.html',
  styleUrl: './files.scss',
})
export class Files {
  private readonly clock = inject(Clock);
  private readonly whole = inject(WholeSpace);
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

  protected async exportAll(): Promise<void> {
    const left = new Set<BundleKind>([
      ...(this.withPictures() ? [] : ['pictures' as const]),
      ...(this.withVoice() ? [] : ['recordings' as const]),
    ]);
    const kinds = bundleKinds.filter((kind) => !left.has(kind));
    const { contents, left: tooMany } = withinSize(await this.whole.read(kinds));
    const count = bundleKinds.reduce((sum, kind) => sum + contents[kind].length, 0);
    download(`pomek-${this.clock.today()}.json`, writeBundle(contents, this.clock.now()), 'application/json');
    const detail =
      tooMany === 0
        ? ''
        : `${tooMany} pictures and recordings did not go into one file: it would be too large to be read.`;
    this.notices.done(`Everything exported: ${count} records`, { detail });
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
    await this.demo.fill();
    this.notices.done('The demo is fresh again');
  }
}
