import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import { switchMap } from 'rxjs';
import { freeBytes } from '../data/free-bytes';
import { KeptFilms, NoRoomForFilm } from '../data/kept-films';
import { Notices } from '../data/notices';
import { sizeWords } from '../ui/size-words';

/** Keeps a film in this browser, so that it need not be opened again, and lets it go. */
@Component({
  selector: 'pk-keep-film',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    @if (size(); as bytes) {
      <div class="row">
        <p class="small grow">The film is saved in this browser, {{ words(bytes) }}; no exported file has it.</p>
        <p-button label="Let it go" size="small" variant="text" (onClick)="remove()" />
      </div>
    } @else if (file(); as open) {
      <div class="row">
        <p class="small grow">{{ room() }}</p>
        <p-button
          label="Save the film here"
          size="small"
          variant="outlined"
          [loading]="busy()"
          (onClick)="keep(open)"
        />
      </div>
    }
    @if (trouble() !== '') {
      <p class="doubt small" role="alert">{{ trouble() }}</p>
    }
  `,
  styles: `
    .row {
      align-items: center;
    }
    .grow {
      flex: 1 1 12rem;
      margin: 0;
    }
  `,
})
export class KeepFilm {
  private readonly kept = inject(KeptFilms);
  private readonly notices = inject(Notices);
  readonly studentId = input.required<string>();
  readonly stillId = input.required<string>();
  /** The film that is open; null while none is. */
  readonly file = input.required<File | null>();

  protected readonly size = toSignal(toObservable(this.stillId).pipe(switchMap((id) => this.kept.sizeOf(id))), {
    initialValue: null,
  });
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  private readonly free = signal<number | null>(null);
  protected readonly room = computed(() => {
    const [file, free] = [this.file(), this.free()];
    if (file === null) return '';
    const size = `Opened from its file, ${sizeWords(file.size)}`;
    return free === null ? `${size}.` : `${size}; ${sizeWords(free)} free here.`;
  });
  protected readonly words = sizeWords;

  constructor() {
    effect(() => {
      if (this.file() !== null) void freeBytes().then((free) => this.free.set(free));
    });
  }

  protected async keep(file: File): Promise<void> {
    this.busy.set(true);
    this.trouble.set('');
    try {
      await this.kept.keep(this.stillId(), this.studentId(), file);
    } catch (error) {
      if (error instanceof NoRoomForFilm)
        this.trouble.set(
          `The film takes ${sizeWords(file.size)}, and only ${sizeWords(error.freeBytes)} are free in this browser. Make room, or open it from its file each time.`,
        );
      else this.notices.failure('The film could not be saved', error);
    } finally {
      this.busy.set(false);
    }
  }

  protected async remove(): Promise<void> {
    await this.kept.remove(this.stillId());
  }
}
