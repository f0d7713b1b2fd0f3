import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Button } from 'primeng/button';
import { Notices } from '../data/notices';
import { Steps } from '../data/steps';

@Component({
  selector: 'pk-notices',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    <div class="list">
      @for (notice of notices.open(); track notice.id) {
        <div class="notice" [class.failure]="notice.kind === 'failure'">
          <div>
            <strong>{{ notice.title }}</strong>
            @if (notice.detail !== '') {
              <p class="small">{{ notice.detail }}</p>
            }
          </div>
          @if (notice.undo && steps.undoLabel() !== null) {
            <p-button label="Undo" size="small" variant="outlined" (onClick)="undo(notice.id)" />
          }
          @if (notice.takeBack; as takeBack) {
            <p-button label="Undo" size="small" variant="outlined" (onClick)="notices.close(notice.id); takeBack()" />
          }
          <p-button
            icon="pi pi-times"
            ariaLabel="Close this message"
            size="small"
            variant="text"
            (onClick)="notices.close(notice.id)"
          />
        </div>
      }
    </div>
  `,
  styles: `
    .list {
      display: grid;
      gap: 0.35rem;
    }
    .list:not(:empty) {
      padding: 0.4rem 0.75rem;
      background: var(--pk-ground);
      border-top: 1px solid var(--pk-line-strong);
    }
    .notice {
      display: grid;
      grid-template-columns: 1fr auto auto;
      gap: 0.5rem;
      align-items: start;
      background: var(--pk-sheet);
      border: 1px solid var(--pk-line-strong);
      border-left: 6px solid var(--pk-pine);
      border-radius: 4px;
      padding: 0.35rem 0.5rem 0.35rem 1rem;
      overflow-wrap: anywhere;
    }
    .failure {
      border-left-color: var(--pk-danger);
    }
  `,
})
export class NoticesView {
  protected readonly notices = inject(Notices);
  protected readonly steps = inject(Steps);

  protected async undo(id: number): Promise<void> {
    this.notices.close(id);
    const label = await this.steps.undo();
    if (label !== null) this.notices.done(`Undone: ${label}`);
  }
}
