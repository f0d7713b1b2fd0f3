import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { durationWords, timeline, weekAhead, type Routine, type Student } from '@pomek/core';
import { Clock } from '../data/clock';
import { Repository } from '../data/repository';

/** Who could practise what: those of today first, then everybody else, and any routine to try out. Each a press away. */
@Component({
  selector: 'pk-practise-offers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <div class="offers">
      @for (group of people(); track group.title) {
        <section class="sheet" [attr.aria-label]="group.title">
          <h2>{{ group.title }}</h2>
          <ul class="bare">
            @for (row of group.rows; track row.id) {
              <li>
                <span class="name">{{ row.name }}</span>
                <span class="links">
                  @for (routine of row.routines; track routine.id) {
                    <a
                      routerLink="/practise"
                      [queryParams]="{ student: row.id, routine: routine.id }"
                      [attr.aria-label]="routine.name + ' with ' + row.name"
                      >{{ routine.name }}</a
                    >
                  } @empty {
                    <a
                      routerLink="/practise"
                      [queryParams]="{ student: row.id }"
                      [attr.aria-label]="'Choose a routine for ' + row.name"
                      >choose a routine</a
                    >
                  }
                </span>
              </li>
            } @empty {
              <li class="soft">Nobody practises today.</li>
            }
          </ul>
        </section>
      }
      <section class="sheet" aria-label="Try a routine out">
        <h2>Try a routine out</h2>
        <p class="small soft">With nobody in particular: nothing is logged.</p>
        <ul class="bare">
          @for (routine of tried(); track routine.id) {
            <li>
              <a routerLink="/practise" [queryParams]="{ routine: routine.id }">{{ routine.name }}</a>
              <span class="num soft">{{ routine.length }}</span>
            </li>
          }
        </ul>
      </section>
    </div>
  `,
  styles: `
    .offers {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 19rem), 1fr));
      gap: 1rem;
      align-items: start;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      justify-content: space-between;
      gap: 0 1rem;
      padding: 0.4rem 0;
      border-top: 1px solid var(--pk-line);

      &:first-child {
        border-top: 0;
      }
    }
    .name {
      font: 600 1.1rem var(--pk-display);
    }
    .links {
      display: flex;
      flex-wrap: wrap;
      gap: 0 1rem;
    }
  `,
})
export class PractiseOffers {
  private readonly clock = inject(Clock);
  private readonly repository = inject(Repository);
  readonly students = input.required<readonly Student[]>();
  readonly routines = input.required<readonly Routine[]>();
  private readonly plans = toSignal(this.repository.plans$, { initialValue: [] });

  protected readonly people = computed(() => {
    const students = this.students();
    if (students.length === 0) return [];
    const [day] = weekAhead({ students, plans: this.plans(), classes: [] }, this.clock.today(), 1);
    const now = new Set(day!.practising);
    const row = ({ id, name }: Student) => ({ id, name, routines: this.given(id) });
    const others = students.filter(({ id }) => !now.has(id));
    return [
      { title: 'Practising today', rows: students.filter(({ id }) => now.has(id)).map(row) },
      ...(others.length === 0 ? [] : [{ title: 'Everybody else', rows: others.map(row) }]),
    ];
  });
  protected readonly tried = computed(() =>
    this.routines().map((routine) => ({
      id: routine.id,
      name: routine.name,
      length: durationWords(timeline(routine).totalMs / 1000),
    })),
  );

  private given(studentId: string): readonly Routine[] {
    const ids = new Set(this.plans().flatMap((plan) => (plan.studentId === studentId ? [plan.routineId] : [])));
    return this.routines().filter(({ id }) => ids.has(id));
  }
}
