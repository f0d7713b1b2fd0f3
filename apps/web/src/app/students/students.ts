import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { newStudent, softSchool } from '@pomek/core';
import { Clock } from '../data/clock';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
import { Empty } from '../ui/empty';
import { dayWords, daysAgo } from '../ui/day-words';

@Component({
  selector: 'pk-students',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, ButtonDirective, Empty, RouterLink],
  template: `
    <div class="page stack">
      <div class="row spread">
        <h1>Students</h1>
        <div class="row">
          <a pButton [outlined]="true" routerLink="/students/season">The season of all</a>
          <p-button label="New student" icon="pi pi-plus" (onClick)="add()" />
        </div>
      </div>
      @if (rows(); as list) {
        @if (list.length === 0) {
          <pk-empty
            heading="No student yet"
            text="A student has a name, the days on which he or she can practise, and the cautions you keep in mind. Everything stays in this browser."
          >
            <p-button label="Add the first student" icon="pi pi-plus" (onClick)="add()" />
          </pk-empty>
        } @else {
          <div class="sheet scroll-x">
            <table class="plain">
              <thead>
                <tr>
                  <th scope="col">Student</th>
                  <th scope="col">Routine</th>
                  <th scope="col">Days</th>
                  <th scope="col">Last practised</th>
                  <th scope="col">Cautions</th>
                </tr>
              </thead>
              <tbody>
                @for (row of list; track row.student.id) {
                  <tr>
                    <td>
                      <a class="title" [routerLink]="['/students', row.student.id]">{{ row.student.name }}</a>
                    </td>
                    <td>{{ row.routines }}</td>
                    <td>{{ row.days }}</td>
                    <td class="num">{{ row.last }}</td>
                    <td>{{ row.student.cautions.join('; ') }}</td>
                  </tr>
                }
              </tbody>
            </table>
          </div>
        }
      }
    </div>
  `,
  styles: `
    .title {
      font: 600 1.15rem var(--pk-display);
    }
  `,
})
export class Students {
  private readonly router = inject(Router);
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  private readonly repository = inject(Repository);
  private readonly students = toSignal(this.repository.students$);
  private readonly plans = toSignal(this.repository.plans$, { initialValue: [] });
  private readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  private readonly recent = toSignal(this.repository.recent(this.clock.today()));

  private readonly lastDays = computed(() => {
    const last = new Map<string, string>();
    for (const log of this.recent()?.logs ?? []) {
      if ((last.get(log.studentId) ?? '') < log.day) last.set(log.studentId, log.day);
    }
    return last;
  });
  /** Of who has no practice; nothing while they are still being read. */
  private readonly never = computed(() => (this.recent() === undefined ? '' : 'not yet'));
  protected readonly rows = computed(() =>
    this.students()?.map((student) => {
      const last = this.lastDays().get(student.id);
      const planned = this.plans()
        .filter((plan) => plan.studentId === student.id)
        .map((plan) => plan.routineId);
      return {
        student,
        routines: this.routines()
          .filter((routine) => planned.includes(routine.id))
          .map((routine) => routine.name)
          .join(', '),
        days: dayWords(student.practiceDays),
        last: last === undefined ? this.never() : daysAgo(last, this.clock.today()),
      };
    }),
  );

  protected async add(): Promise<void> {
    const id = this.clock.newId();
    const student = newStudent(id, 'New student', softSchool.id);
    await this.store.write('New student', [{ table: 'students', add: student }]);
    await this.router.navigate(['/students', id], { queryParams: { part: 'person' } });
  }
}
