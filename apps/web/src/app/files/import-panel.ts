import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Password } from 'primeng/password';
import type { Subscription } from 'rxjs';
import {
  LARGEST_LOCKED,
  bundleKinds,
  importPreview,
  notInFile,
  kindWords,
  tooLarge,
  type BundleContents,
  type BundleProblem,
  type PreviewRow,
  counted,
} from '@pomek/core';
import { Compute } from '../compute/compute';
import type { ResultOf } from '../compute/protocol';
import { Notices, reasonOf } from '../data/notices';
import { WholeSpace } from '../data/whole-space';
import { momentWords } from '../ui/day-words';
import { FileButton } from '../ui/file-button';

interface Preview {
  readonly contents: BundleContents;
  readonly rows: readonly PreviewRow[];
  readonly writtenAt: string;
  /** What is here and not in the file; it stays. */
  readonly missing: readonly string[];
}

type Read = ResultOf<'read-bundle'> & { readonly ok: true };

const MOST_ROWS = 300;

/** Reads a file in the worker, shows what it would do, and does it only when told to. */
@Component({
  selector: 'pk-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, FileButton, FormsModule, Password],
  templateUrl: './import-panel.html',
  styleUrl: './import-panel.scss',
})
export class ImportPanel {
  private readonly compute = inject(Compute);
  private readonly whole = inject(WholeSpace);
  private readonly notices = inject(Notices);
  private reading: Subscription | null = null;

  protected readonly kinds = kindWords;
  protected readonly name = signal('');
  protected readonly busy = signal(false);
  protected readonly problems = signal<readonly BundleProblem[]>([]);
  protected readonly preview = signal<Preview | null>(null);
  private readonly left = signal<ReadonlySet<string>>(new Set());
  protected readonly over = signal(false);
  /** A locked copy that waits for its passphrase. */
  protected readonly locked = signal<File | null>(null);
  protected readonly passphrase = signal('');

  protected readonly counts = computed(() => {
    const rows = this.preview()?.rows ?? [];
    return (['new', 'changed', 'same', 'cannot be imported'] as const).map((state) => ({
      state,
      count: rows.filter((row) => row.state === state).length,
    }));
  });
  /** Whether anything that is here would be another. */
  protected readonly replaces = computed(() => this.preview()?.rows.some(({ state }) => state === 'changed') ?? false);
  protected readonly listed = computed(() =>
    (this.preview()?.rows ?? []).filter((row) => row.state !== 'same').slice(0, MOST_ROWS),
  );
  protected readonly unlisted = computed(
    () => (this.preview()?.rows ?? []).filter((row) => row.state !== 'same').length - this.listed().length,
  );
  protected readonly chosen = computed(() =>
    (this.preview()?.rows ?? []).filter(
      (row) => (row.state === 'new' || row.state === 'changed') && !this.left().has(this.key(row)),
    ),
  );

  protected takes(row: PreviewRow): boolean {
    return !this.left().has(this.key(row));
  }

  protected toggle(row: PreviewRow, wanted: boolean): void {
    const left = new Set(this.left());
    if (wanted) left.delete(this.key(row));
    else left.add(this.key(row));
    this.left.set(left);
  }

  protected dropped(event: DragEvent): void {
    event.preventDefault();
    this.over.set(false);
    const file = event.dataTransfer?.files[0];
    if (file !== undefined) this.read(file);
  }

  protected hover(event: Event, over: boolean): void {
    event.preventDefault();
    this.over.set(over);
  }

  protected cancel(): void {
    this.passphrase.set('');
    this.clear();
  }

  private clear(): void {
    this.reading?.unsubscribe();
    this.busy.set(false);
    this.preview.set(null);
    this.problems.set([]);
    this.locked.set(null);
  }

  protected async keep(): Promise<void> {
    const preview = this.preview();
    if (preview === null) return;
    const rows = this.chosen();
    await this.whole.import(preview.contents, rows, `Import of ${this.name()}`);
    this.preview.set(null);
    this.notices.done(`${counted(rows.length, 'record')} imported`, { undo: true });
  }

  protected read(file: File, passphrase: string | null = null): void {
    // What was typed stays while it is tried: it may be wrong by a letter.
    if (passphrase === null) this.cancel();
    else this.clear();
    this.name.set(file.name);
    this.left.set(new Set());
    // A locked copy is longer than what it holds, which is measured once it is open.
    const large = file.name.endsWith('.jwe') && file.size <= LARGEST_LOCKED ? null : tooLarge(file.size);
    if (large !== null) {
      this.problems.set([large]);
      return;
    }
    this.busy.set(true);
    this.reading = this.compute.readBundle(file, passphrase).subscribe({
      next: (reply) => {
        if (reply.ok === 'asks') this.ask(file);
        else if (reply.ok) void this.show(reply);
        else this.refuse(reply.problems);
      },
      error: (error: unknown) => {
        this.refuse([{ place: '', message: reasonOf(error) }]);
        if (passphrase !== null) this.locked.set(file);
      },
    });
  }

  protected open(): void {
    const file = this.locked();
    if (file !== null && this.passphrase() !== '') this.read(file, this.passphrase());
  }

  private ask(file: File): void {
    this.busy.set(false);
    this.locked.set(file);
  }

  private async show({ contents, writtenAt, beyond }: Read): Promise<void> {
    // Pictures and recordings are large: those here are read only where some come.
    const kinds = bundleKinds.filter(
      (kind) => (kind !== 'pictures' && kind !== 'recordings') || contents[kind].length > 0,
    );
    try {
      const present = await this.whole.read(kinds);
      this.preview.set({
        contents,
        rows: importPreview(present, contents, beyond),
        missing: notInFile(present, contents),
        writtenAt: momentWords(writtenAt),
      });
      this.passphrase.set('');
      this.busy.set(false);
    } catch (error) {
      this.refuse([{ place: '', message: reasonOf(error) }]);
    }
  }

  private refuse(problems: readonly BundleProblem[]): void {
    this.busy.set(false);
    this.problems.set(problems);
  }

  private key(row: PreviewRow): string {
    return `${row.kind} ${row.id}`;
  }
}
