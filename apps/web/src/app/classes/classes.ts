import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { getISODay, parseISO } from 'date-fns';
import { Button } from 'primeng/button';
import { newClass, type TaughtClass } from '@pomek/core';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
import { classTimes } from '../ui/class-words';
import { Empty } from '../ui/empty';

/** The classes of the week, a line each. */
@Component({
  selector: 'pk-classes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Empty, RouterLink],
  template: `
    <div class="page stack">
      <div class="row spread">
        <h1>Classes</h1>
        <p-button label="New class" icon="pi pi-plus" (onClick)="add()" />
      </div>
      @if (rows()?.length === 0) {
        <pk-empty
          heading="No class yet"
          text="A class has a weekday, a room, the people who come, and a routine or a chain of lessons. It is conducted as one; each person is asked for their own dose, and gets their own log."
        >
          <p-button label="Set up the first class" icon="pi pi-plus" (onClick)="add()" />
        </pk-empty>
      } @else if (rows(); as all) {
        <div class="sheet scroll-x" tabindex="0" role="region" aria-label="The classes of the week">
          <table class="plain">
            <thead>
              <tr>
                <th scope="col">Class</th>
                <th scope="col">When</th>
                <th scope="col">Where</th>
                <th scope="col">People</th>
                <th scope="col">Practises</th>
                <th scope="col"><span class="hidden-text">Remove</span></th>
              </tr>
            </thead>
            <tbody>
              @for (row of all; track row.of.id) {
                <tr>
                  <td>
                    <a class="title" [routerLink]="['/classes', row.of.id]">{{ row.of.name }}</a>
                  </td>
                  <td class="num one">{{ row.times }}</td>
                  <td>{{ row.of.place }}</td>
                  <td class="num">{{ row.people }}</td>
                  <td>{{ row.practises }}</td>
                  <td class="end">
                    <p-button
                      icon="pi pi-trash"
                      variant="text"
                      size="small"
                      [ariaLabel]="'Remove the class ' + row.of.name"
                      (onClick)="remove(row.of)"
                    />
                  </td>
                </tr>
              }
            </tbody>
          </table>
        </div>
      }
    </div>
  `,
  styles: `
    .title {
      font: 600 1.15rem var(--pk-display);
    }
    .one {
      white-space: nowrap;
    }
    .end {
      text-align: right;
    }
  `,
})
export class Classes {
  private readonly router = inject(Router);
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  private readonly repository = inject(Repository);
  private readonly classes = toSignal(this.repository.classes$);
  private readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  private readonly chains = toSignal(this.repository.chains$, { initialValue: [] });
  private readonly students = toSignal(this.repository.students$, { initialValue: [] });

  protected readonly rows = computed(() =>
    this.classes()?.map((of) => ({
      of,
      times: classTimes(of),
      people: this.students().filter(({ id }) => of.roster.includes(id)).length,
      practises: [
        this.routines().find(({ id }) => id === of.routineId)?.name,
        this.chains().find(({ id }) => id === of.chainId)?.name,
      ]
        .filter((name) => name !== undefined)
        .join(', then '),
    })),
  );

  protected async add(): Promise<void> {
    const made = newClass(this.clock.newId(), 'New class', getISODay(parseISO(this.clock.today())));
    await this.store.write('New class', [{ table: 'classes', add: made }]);
    await this.router.navigate(['/classes', made.id], { queryParams: { part: 'set-up' } });
  }

  protected async remove({ id, name }: TaughtClass): Promise<void> {
    await this.store.write(`Remove ${name}`, [{ table: 'classes', remove: id }]);
    this.notices.done(`${name} removed`, { undo: true });
  }
}
