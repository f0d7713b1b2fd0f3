import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { Button } from 'primeng/button';

/** What is typed and cannot be kept yet, why, and the way back to what is kept. */
@Component({
  selector: 'pk-not-kept',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    @if (problems().length > 0) {
      <div class="wrong row spread" role="alert">
        <div>
          <strong>Not saved yet:</strong>
          @for (problem of problems(); track $index) {
            <p>{{ problem }}</p>
          }
        </div>
        <p-button label="Back to what is saved" size="small" variant="text" (onClick)="forget.emit()" />
      </div>
    }
  `,
  styles: `
    :host:empty {
      display: none;
    }
  `,
})
export class NotKept {
  readonly problems = input.required<readonly string[]>();
  readonly forget = output();
}
