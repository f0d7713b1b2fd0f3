import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { groupBy, stillsWaiting } from '@pomek/core';
import { Clock } from '../data/clock';
import { Repository } from '../data/repository';
import { Standings } from '../data/standings';
import { shortDay } from '../ui/day-words';

/** So many pictures of one student are named. */
const MOST = 3;

/** Whose practices came back from home, and whose pictures wait to be looked at; nothing where none did. */
@Component({
  selector: 'pk-came-in',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    @if (rows().length > 0) {
      <section class="sheet" aria-labelledby="came-in">
        <h2 id="came-in">Came in</h2>
        <ul class="bare">
          @for (row of rows(); track row.student.id) {
            <li>
              <a class="name" [routerLink]="['/students', row.student.id]">{{ row.student.name }}</a>
              @if (row.logs !== '') {
                <p class="num">
                  <a [routerLink]="['/students', row.student.id]" [queryParams]="{ part: 'practices' }">{{
                    row.logs
                  }}</a>
                </p>
              }
              @for (still of row.stills; track still.id) {
                <p class="num">
                  <a [routerLink]="['/students', row.student.id, 'film', still.id]">{{ still.name }}</a>
                  <span class="soft">{{ still.words }}</span>
                </p>
              }
              @if (row.more > 0) {
                <p class="small soft num">and {{ row.more }} more</p>
              }
            </li>
          }
        </ul>
      </section>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    li {
      padding: 0.35rem 0;
      border-top: 1px solid var(--pk-line);

      &:first-child {
        border-top: 0;
      }
    }
    .name {
      font: 600 1.1rem var(--pk-display);
    }
  `,
})
export class CameInList {
  private readonly clock = inject(Clock);
  private readonly standings = inject(Standings).look();
  private readonly students = toSignal(inject(Repository).students$, { initialValue: [] });
  private readonly stills = toSignal(inject(Repository).all('stills'), { initialValue: [] });

  protected readonly rows = computed(() => {
    const today = this.clock.today();
    const stills = groupBy(this.stills(), ({ studentId }) => studentId);
    const fromHome = new Map(this.standings.known().map(({ student, standing }) => [student.id, standing?.fromHome]));
    return this.students().flatMap((student) => {
      const logs = fromHome.get(student.id) ?? '';
      const waiting = stillsWaiting(stills.get(student.id) ?? [], today);
      if (logs === '' && waiting.length === 0) return [];
      return [
        {
          student,
          logs,
          stills: waiting.slice(0, MOST).map(({ id, name, day, found: points }) => ({
            id,
            name,
            words: ` of ${shortDay(day)}, ${points.length > 0 ? 'found and not looked at' : 'not marked yet'}`,
          })),
          more: Math.max(0, waiting.length - MOST),
        },
      ];
    });
  });
}
