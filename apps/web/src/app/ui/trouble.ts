import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { Button } from 'primeng/button';

/** What could not be worked out and why, with the way on. */
@Component({
  selector: 'pk-trouble',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    <div class="row" role="alert">
      <p class="wrong">{{ what() }}: {{ why() }}</p>
      <p-button label="Try again" size="small" variant="outlined" (onClick)="again.emit()" />
    </div>
  `,
})
export class Trouble {
  /** A sentence without its full stop. */
  readonly what = input.required<string>();
  readonly why = input.required<string>();
  readonly again = output();
}
