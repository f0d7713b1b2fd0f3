import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { getISODay, parseISO } from 'date-fns';
import { Button, ButtonDirective } from 'primeng/button';
import { newClass, type TaughtClass } from '@pomek/core';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { NewThings } from '../data/new-things';
import { Store } from '../data/store';
import { classesAhead } from '../ui/classes-ahead';
import { Empty } from '../ui/empty';
import { RowKeys } from '../ui/row-keys';

/** The classes, the one that meets next first: when and where, what, who comes, and how it was the last time. */
@Component({
  selector: 'pk-classes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, ButtonDirective, Empty, RouterLink, RowKeys],
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
        <ul class="bare cards" pkRowKeys>
          @for (row of all; track row.id) {
            <li class="sheet" [attr.aria-label]="row.name">
              <div class="row spread">
                <h2>
                  <a [routerLink]="['/classes', row.id]">{{ row.name }}</a>
                </h2>
                <p-button
                  icon="pi pi-trash"
                  variant="text"
                  size="small"
                  [ariaLabel]="'Remove the class ' + row.name"
                  (onClick)="remove(row.of)"
                />
              </div>
              <p class="num next">{{ row.when }}{{ row.place === '' ? '' : ', ' + row.place }}</p>
              <dl>
                <dt>Next</dt>
                <dd class="num">
                  {{ row.what }} <span class="soft">{{ row.length }}</span>
                </dd>
                <dt>People</dt>
                <dd>
                  @for (person of row.people; track person.id) {
                    <a class="person" [routerLink]="['/students', person.id]">{{ person.name }}</a>
                  } @empty {
                    <span class="soft">nobody yet</span>
                  }
                </dd>
                @if (row.last !== '') {
                  <dt>Last</dt>
                  <dd>{{ row.last }}{{ row.missed === '' ? '' : '; missed by ' + row.missed }}</dd>
                }
                @if (row.waiting !== '') {
                  <dt>Corrected first</dt>
                  <dd>{{ row.waiting }}</dd>
                }
              </dl>
              <div class="row">
                <a pButton [outlined]="true" [routerLink]="['/classes', row.id]" [attr.aria-label]="'Open ' + row.name"
                  >Open it</a
                >
                <a
                  pButton
                  [text]="true"
                  [routerLink]="['/classes', row.id]"
                  [queryParams]="{ part: 'give' }"
                  [attr.aria-label]="'Give papers to ' + row.name"
                  >Give</a
                >
              </div>
            </li>
          }
        </ul>
      }
    </div>
  `,
  styles: `
    .cards {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(min(100%, 30rem), 1fr));
      gap: 1rem;
      align-items: start;
    }
    .next {
      font: 600 1.15rem var(--pk-display);
    }
    dl {
      display: grid;
      grid-template-columns: 7.5rem minmax(0, 1fr);
      gap: 0.3rem 0.75rem;
      margin: 0.75rem 0;
    }
    dt {
      color: var(--pk-soft);
    }
    dd {
      margin: 0;
    }
    .person {
      margin-right: 0.9rem;
      display: inline-block;
      max-width: 100%;
    }
  `,
})
export class Classes {
  private readonly store = inject(Store);
  private readonly newThings = inject(NewThings);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  protected readonly rows = classesAhead();

  protected async add(): Promise<void> {
    const made = newClass(this.clock.newId(), 'New class', getISODay(parseISO(this.clock.today())));
    await this.newThings.begin('New class', 'classes', made, ['/classes', made.id], { part: 'set-up' });
  }

  protected async remove({ id, name }: TaughtClass): Promise<void> {
    await this.store.write(`Remove ${name}`, [{ table: 'classes', remove: id }]);
    this.notices.done(`${name} removed`, { undo: true });
  }
}
