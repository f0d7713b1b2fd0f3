import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Button } from 'primeng/button';
import { dayNumber } from '@pomek/core';
import { Clock } from '../data/clock';
import { CopyFolder } from '../data/copy-folder';
import { SPACE } from '../data/space';
import { readDay } from '../ui/day-words';
import { LastCopy } from '../ui/last-copy';

/** A copy is asked for when the last one is so old, and again when that was put off so long ago, days. */
const OLD = 7;
const PUT_OFF = 3;

/** Says that it is time for a copy of everything, or what keeps copies from their folder, and makes one. The demo needs none. */
@Component({
  selector: 'pk-copy-reminder',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    @if (words() !== '') {
      <div class="remind row spread" role="status">
        <p>{{ words() }}</p>
        <div class="row">
          @if (folderWaits()) {
            <p-button label="Allow it" icon="pi pi-lock-open" size="small" (onClick)="folder.allow()" />
          } @else {
            <p-button label="Make a copy" icon="pi pi-download" size="small" (onClick)="copy.make()" />
          }
          <p-button label="In three days" size="small" variant="text" (onClick)="copy.putOff()" />
        </div>
      </div>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    .remind {
      border-left: 5px solid var(--pk-doubt);
      background: var(--pk-doubt-wash);
      padding: 0.4rem 1rem;
    }
  `,
})
export class CopyReminder {
  private readonly clock = inject(Clock);
  private readonly space = inject(SPACE);
  protected readonly copy = inject(LastCopy);
  protected readonly folder = inject(CopyFolder);
  /** There are practices, which nobody could write down a second time. */
  readonly practised = input.required<boolean>();

  /** Copies would go into the folder by themselves, were they allowed to. */
  protected readonly folderWaits = computed(() => this.folder.due() && this.folder.allowed() === false);
  protected readonly words = computed(() => {
    if (this.space !== 'own' || !this.practised()) return '';
    const [made, off] = [this.copy.madeOn(), this.copy.putOffOn()];
    if (off !== null && this.since(off) < PUT_OFF) return '';
    const kept = this.folder.chosen();
    if (this.folderWaits())
      return `The browser wants to be asked again before copies can go into “${kept!.folder.name}”.`;
    if (this.folder.due() && kept!.trouble !== '')
      return `The last copy into “${kept!.folder.name}” failed. ${kept!.trouble}`;
    if (made === null)
      return 'No copy has been made yet: this browser is the only place where your students and practices are.';
    return this.since(made) < OLD || !this.copy.changedSince(made)
      ? ''
      : `The last copy of everything was made on ${readDay(made)}.`;
  });

  private since(day: string): number {
    return dayNumber(this.clock.today()) - dayNumber(day);
  }
}
