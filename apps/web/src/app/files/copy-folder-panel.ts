import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Button } from 'primeng/button';
import { copySeries, counted } from '@pomek/core';
import { CopyFolder } from '../data/copy-folder';
import { momentWords } from '../ui/day-words';
import { sizeWords } from '../ui/size-words';

/** Copies that make themselves: the folder into which they go, when the last one went there, and what keeps the next from it. */
@Component({
  selector: 'pk-copy-folder',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  host: { class: 'stack' },
  template: `
    <h3>Copies that make themselves</h3>
    @if (!folder.can) {
      <p class="soft">
        This browser cannot write into a folder by itself. Today reminds you of a copy after a week in which something
        changed.
      </p>
    } @else if (folder.chosen() === null) {
      <p class="soft">
        Choose a folder, best on another disk or one that is synchronised. While you work, Pomek writes a copy of
        everything into it, one for each day, and reads it back. The copies of the last {{ series.days }} days stay
        there, one for each of {{ series.weeks }} weeks and {{ series.months }} months, and one for each year. They are
        not locked: whoever opens the folder can read them.
      </p>
      <div>
        <p-button label="Choose a folder…" icon="pi pi-folder-open" variant="outlined" (onClick)="folder.choose()" />
      </div>
    } @else if (folder.chosen(); as it) {
      <p>
        Copies go into <strong>{{ it.folder.name }}</strong> by themselves.
        <span class="soft">{{ lastWords() }}</span>
      </p>
      @if (folder.busy()) {
        <p class="soft" role="status">A copy is being written and read back…</p>
      } @else if (folder.allowed() === false) {
        <p class="doubt" role="status">The browser wants to be asked again before Pomek may write there.</p>
      } @else if (it.trouble !== '') {
        <p class="wrong" role="alert">The last try failed. {{ it.trouble }}</p>
      } @else if (it.last === null) {
        <p class="soft small">There is nothing to copy yet.</p>
      } @else if (folder.due()) {
        <p class="soft small">Something changed since; the next copy is made in about a minute.</p>
      }
      <div class="row">
        @if (folder.allowed() === false) {
          <p-button label="Allow it" icon="pi pi-lock-open" (onClick)="folder.allow()" />
        } @else {
          <p-button
            label="Copy now"
            icon="pi pi-save"
            variant="outlined"
            [disabled]="folder.busy()"
            (onClick)="folder.make()"
          />
        }
        <p-button label="Another folder…" variant="text" (onClick)="folder.choose()" />
        <p-button label="No more copies there" variant="text" (onClick)="folder.forget()" />
      </div>
    }
  `,
  styles: `
    h3 {
      margin: 0;
    }
    .doubt {
      border-left: 5px solid var(--pk-doubt);
      padding-left: 0.75rem;
    }
  `,
})
export class CopyFolderPanel {
  protected readonly folder = inject(CopyFolder);
  protected readonly series = copySeries;
  protected readonly lastWords = computed(() => {
    const last = this.folder.chosen()?.last ?? null;
    if (last === null) return 'None has been made there yet.';
    const left = [
      ...(last.unreadable > 0 ? [`${counted(last.unreadable, 'record')} that cannot be read`] : []),
      ...(last.leftOut > 0
        ? [`${counted(last.leftOut, 'picture or recording', 'pictures and recordings')} for want of room`]
        : []),
    ];
    const without = left.length === 0 ? '' : ` Not in it: ${left.join(', ')}.`;
    return `The last: ${momentWords(last.at)}, ${counted(last.records, 'record')}, ${sizeWords(last.bytes)}, read back.${without}`;
  });
}
