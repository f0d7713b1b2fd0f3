import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** What to do first where nothing is yet. */
@Component({
  selector: 'pk-empty',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="empty">
      <h2>{{ heading() }}</h2>
      <p>{{ text() }}</p>
      <div class="row"><ng-content /></div>
    </div>
  `,
  styles: `
    .empty {
      display: grid;
      gap: 0.75rem;
      padding: 2rem;
      border: 1px dashed var(--pk-line-strong);
      border-radius: 4px;
      max-width: 44rem;
    }
  `,
})
export class Empty {
  readonly heading = input.required<string>();
  readonly text = input('');
}
