import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Button } from 'primeng/button';
import { DurableStorage } from '../data/durable-storage';

/** Whether the browser keeps the records until they are removed, and a way to ask it. */
@Component({
  selector: 'pk-durable',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  host: { class: 'stack' },
  template: `
    @switch (durable.kept()) {
      @case (true) {
        <p class="soft">
          <i class="pi pi-check" aria-hidden="true"></i> This browser has agreed to keep your records until you remove
          them.
        </p>
      }
      @case (false) {
        <p>
          This browser has not agreed to keep your records: it may clear them where the disk is full, or after weeks
          without a visit.
          @if (durable.wasAsked()) {
            Some browsers agree once a page is used often, is bookmarked or installed. Until then, copies are what keeps
            your work.
          }
        </p>
        <div>
          <p-button
            [label]="durable.wasAsked() ? 'Ask the browser again' : 'Ask the browser to keep them'"
            size="small"
            variant="outlined"
            (onClick)="durable.ask()"
          />
        </div>
      }
    }
  `,
})
export class DurablePanel {
  protected readonly durable = inject(DurableStorage);
}
