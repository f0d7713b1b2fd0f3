import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { Drawer } from 'primeng/drawer';
import { clock, saidWhen, type Call, type Timeline } from '@pomek/core';

/** What is said in a practice, and when: as it is planned, before it begins or while it goes on. */
@Component({
  selector: 'pk-said-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Drawer],
  template: `
    <p-drawer
      [visible]="open()"
      (visibleChange)="open.set($event)"
      position="right"
      header="What is said, and when"
      [closeButtonProps]="closeButton"
      [style]="{ width: '30rem', maxWidth: '96vw' }"
    >
      @if (open()) {
        @if (!spoken()) {
          <p class="soft">The voice is off now. With it on, this is said:</p>
        }
        <dl>
          @for (line of lines(); track $index) {
            <dt class="num">{{ line.at }}</dt>
            <dd>{{ line.text }}</dd>
          }
        </dl>
      }
    </p-drawer>
  `,
  styles: `
    dl {
      display: grid;
      grid-template-columns: auto 1fr;
      gap: 0.25rem 1rem;
      margin: 0;
    }
    dt {
      text-align: right;
      color: var(--pk-soft);
    }
    dd {
      margin: 0;
    }
  `,
})
export class SaidList {
  readonly open = model.required<boolean>();
  readonly calls = input.required<readonly Call[]>();
  readonly line = input.required<Timeline>();
  /** Whether the voice is on. */
  readonly spoken = input.required<boolean>();

  protected readonly closeButton = {
    severity: 'secondary',
    text: true,
    rounded: true,
    ariaLabel: 'Close the list',
  } as const;
  protected readonly lines = computed(() =>
    saidWhen(this.calls(), this.line()).map(({ atMs, text }) => ({ at: clock(Math.floor(atMs / 1000)), text })),
  );
}
