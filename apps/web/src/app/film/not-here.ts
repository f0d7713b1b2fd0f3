import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink } from '@angular/router';

/** What was looked for is not here; the way back to whose it would be. */
@Component({
  selector: 'pk-not-here',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <div class="page stack">
      <h1>This {{ what() }} is not here</h1>
      <p><a [routerLink]="['/students', studentId()]" [queryParams]="{ part: 'film' }">To the student’s file</a></p>
    </div>
  `,
})
export class NotHere {
  readonly what = input.required<'picture' | 'film'>();
  readonly studentId = input.required<string>();
}
