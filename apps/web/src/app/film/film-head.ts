import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Student } from '@pomek/core';
import { DayPipe } from '../ui/day.pipe';

/** The head of a page of a picture or a film: whose it is, what it is, of which day, and where one goes from there. */
@Component({
  selector: 'pk-film-head',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DayPipe, RouterLink],
  template: `
    <header class="row spread">
      <div class="row name">
        <a [routerLink]="['/students', studentId()]" [queryParams]="{ part: 'film' }">{{ student()?.name }}</a>
        <h1>{{ title() }}</h1>
        @if (day(); as of) {
          <span class="soft num">{{ of | pkDay }}</span>
        }
      </div>
      <ng-content />
    </header>
  `,
  styles: `
    h1 {
      font-size: 1.4rem;
    }
    .name {
      gap: 0.75rem;
      align-items: baseline;
    }
  `,
})
export class FilmHead {
  readonly studentId = input.required<string>();
  readonly student = input.required<Student | null | undefined>();
  readonly title = input.required<string>();
  readonly day = input('');
}
