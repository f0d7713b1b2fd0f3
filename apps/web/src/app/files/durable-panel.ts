import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { DurableStorage } from '../data/durable-storage';

/** Whether the browser has promised not to clear the records, and a way to ask it. */
@Component({
  selector: 'pk-durable',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  host: { class: 'stack' },
  template: `
    @switch (durable.kept()) {
      @case (true) {
        <p class="soft">
          <i class="pi pi-check" aria-hidden="true"></i> This browser has promised not to clear your records.
        </p>
      }
      @case (false) {
        <p class="soft">
          This browser may clear your records where the disk is full, or after weeks without a visit. Some browsers
          promise not to once a page is used often, bookmarked or installed.
        </p>
        <div>
          <p-button label="Ask it not to clear them" size="small" variant="outlined" (onClick)="ask()" />
        </div>
        @if (refused()) {
          <p class="small" role="status">It has not promised yet.</p>
        }
      }
    }
  `,
})
export class DurablePanel {
  protected readonly durable = inject(DurableStorage);
  protected readonly refused = signal(false);

  protected async ask(): Promise<void> {
    await this.durable.ask();
    this.refused.set(this.durable.kept() === false);
  }
}
