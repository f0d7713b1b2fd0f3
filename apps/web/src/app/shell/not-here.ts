import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'pk-not-here',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <div class="page stack">
      <h1>There is nothing at this address</h1>
      <p>It may have been removed, or the address has a slip in it. Nothing is lost.</p>
      <p><a routerLink="/today">Go to Today</a></p>
    </div>
  `,
})
export class NotHere {}
