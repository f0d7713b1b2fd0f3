import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { shortDay, type DayAhead, type Student, type TaughtClass } from '@pomek/core';
import { Clock } from '../data/clock';
import { daysAgo } from '../ui/day-words';
import { OneStop, OneStopItem } from '../ui/one-stop';

/** So many people of a day are named; of more the rest is counted. */
const MOST = 6;

/** The days to come, each with its classes and with who practises. */
@Component({
  selector: 'pk-days-ahead',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OneStop, OneStopItem, RouterLink],
  template: `
    <section class="sheet" aria-labelledby="days-ahead">
      <h2 id="days-ahead">The next days</h2>
      <dl pkOneStop>
        @for (row of rows(); track row.day) {
          <div class="day">
            <dt class="num">{{ row.words }}</dt>
            <dd>
              @for (one of row.classes; track one.id) {
                <p>
                  <a pkOneStopItem [routerLink]="['/classes', one.id]">{{ one.name }}</a>
                  <span class="num"> {{ one.startsAt }}</span>
                </p>
              }
              @for (person of row.people; track person.id) {
                <a
                  class="person"
                  pkOneStopItem
                  [routerLink]="['/students', person.id]"
                  [attr.aria-label]="person.name"
                  >{{ person.short }}</a
                >
              }
              @if (row.more > 0) {
                <span class="soft">and {{ row.more }} more</span>
              }
              @if (row.people.length === 0 && row.classes.length === 0) {
                <span class="soft">nobody</span>
              }
            </dd>
          </div>
        }
      </dl>
    </section>
  `,
  styles: `
    :host {
      display: contents;
    }
    dl {
      margin: 0;
    }
    .day {
      display: grid;
      grid-template-columns: 6.5rem minmax(0, 1fr);
      gap: 0.5rem;
      padding: 0.3rem 0;
      border-top: 1px solid var(--pk-line);

      &:first-child {
        border-top: 0;
      }
    }
    dd {
      margin: 0;
    }
    .person {
      margin-right: 0.75rem;
      display: inline-block;
      max-width: 100%;
    }
  `,
})
export class DaysAhead {
  private readonly clock = inject(Clock);
  /** From tomorrow on. */
  readonly days = input.required<readonly DayAhead[]>();
  readonly students = input.required<readonly Student[]>();
  readonly classes = input.required<readonly TaughtClass[]>();

  protected readonly rows = computed(() => {
    const [students, classes] = [byId(this.students()), byId(this.classes())];
    const shared = new Set(
      this.students()
        .map(({ name }) => firstName(name))
        .filter((name, at, all) => all.indexOf(name) !== at),
    );
    const short = ({ id, name }: Student) => ({
      id,
      name,
      short: shared.has(firstName(name)) ? name : firstName(name),
    });
    const today = this.clock.today();
    return this.days().map(({ day, practising, classes: meeting }) => ({
      day,
      words: daysAgo(day, today) === 'tomorrow' ? 'tomorrow' : shortDay(day),
      classes: meeting.flatMap((id) => classes.get(id) ?? []),
      people: practising
        .slice(0, MOST)
        .flatMap((id) => students.get(id) ?? [])
        .map(short),
      more: Math.max(0, practising.length - MOST),
    }));
  });
}

const firstName = (name: string): string => name.split(' ')[0]!;
const byId = <T extends { readonly id: string }>(list: readonly T[]): ReadonlyMap<string, T> =>
  new Map(list.map((one) => [one.id, one]));
