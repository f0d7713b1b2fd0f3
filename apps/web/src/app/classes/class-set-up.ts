import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { Textarea } from 'primeng/textarea';
import { chainOfClass, newStudent, type TaughtClass } from '@pomek/core';
import { Clock } from '../data/clock';
import type { Editing } from '../data/editing';
import { OwnSchool } from '../data/own-school';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
import { AddNames } from '../ui/add-names';
import { weekdays } from '../ui/day-words';
import { NumberField } from '../ui/number-field';
import { TextField } from '../ui/text-field';
import { TimeField } from '../ui/time-field';

/** When and where a class meets, who belongs to it, what it practises; kept as it is typed. */
@Component({
  selector: 'pk-class-set-up',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AddNames,
    Button,
    Checkbox,
    FormsModule,
    InputText,
    NumberField,
    RouterLink,
    Select,
    TextField,
    Textarea,
    TimeField,
  ],
  template: `
    @if (edit().draft(); as it) {
      <div class="two">
        <section class="sheet stack" aria-label="When, where, what">
          <div class="field">
            <label for="class-name">Name</label>
            <input
              pInputText
              id="class-name"
              [pkText]="it.name"
              (pkTextChange)="edit().type(['name'], $event)"
              maxlength="80"
            />
          </div>
          <div class="row top">
            <div class="field">
              <span class="label">Weekday</span>
              <p-select
                [options]="days"
                optionLabel="label"
                optionValue="value"
                [ngModel]="it.weekday"
                (ngModelChange)="edit().set(['weekday'], $event)"
                ariaLabel="Weekday of the class"
                appendTo="body"
              />
            </div>
            <pk-time label="Begins at" [value]="it.startsAt" (valueChange)="edit().type(['startsAt'], $event)" />
            <pk-number
              label="Length"
              unit="min"
              [min]="5"
              [max]="300"
              [value]="it.minutes"
              (valueChange)="$event !== null && edit().set(['minutes'], $event)"
            />
          </div>
          <div class="field">
            <label for="class-place">Room</label>
            <input
              pInputText
              id="class-place"
              [pkText]="it.place"
              (pkTextChange)="edit().type(['place'], $event)"
              maxlength="80"
            />
          </div>
          <div class="field">
            <span class="label">Routine</span>
            <p-select
              [options]="routines()"
              optionLabel="name"
              optionValue="id"
              [ngModel]="it.routineId"
              (ngModelChange)="edit().set(['routineId'], $event)"
              [showClear]="true"
              placeholder="none"
              ariaLabel="Routine of the class"
              appendTo="body"
            />
          </div>
          <div class="field">
            <span class="label">Chain of lessons</span>
            <p-select
              [options]="chains()"
              optionLabel="name"
              optionValue="id"
              [ngModel]="it.chainId"
              (ngModelChange)="setChain($event)"
              [showClear]="true"
              placeholder="none"
              ariaLabel="Chain of the class"
              appendTo="body"
            />
            @if (it.chainId !== null && it.routineId !== null) {
              <p class="small soft">The routine is the warm-up, the lesson follows.</p>
            }
          </div>
          @if (nextLesson(); as number) {
            <pk-number
              label="Next lesson of this class"
              [min]="1"
              [max]="200"
              [value]="number"
              (valueChange)="setLesson($event)"
            />
          }
          <div class="field">
            <label for="class-note">Note</label>
            <textarea
              pTextarea
              id="class-note"
              rows="3"
              [pkText]="it.note"
              (pkTextChange)="edit().type(['note'], $event)"
              maxlength="2000"
            ></textarea>
          </div>
        </section>
        <section class="sheet stack" aria-labelledby="roster-heading">
          <h2 id="roster-heading">
            Who belongs to it <span class="num soft">{{ count() }}</span>
          </h2>
          <ul class="bare">
            @for (student of students(); track student.id) {
              <li class="row">
                <p-checkbox
                  [inputId]="'roster-' + student.id"
                  [binary]="true"
                  [ngModel]="it.roster.includes(student.id)"
                  (ngModelChange)="belongs(student.id, $event)"
                />
                <label [for]="'roster-' + student.id">{{ student.name }}</label>
              </li>
            } @empty {
              <li class="soft">
                No one yet. Add people by name below, or conduct the class without.
                <a routerLink="/students">To the students</a>
              </li>
            }
          </ul>
          @if (several()) {
            <pk-add-names
              [place]="'class ' + it.id"
              [taken]="names()"
              [keepsHere]="true"
              (added)="join($event)"
              (closed)="several.set(false)"
            />
          } @else {
            <div>
              <p-button
                label="Add people by name"
                icon="pi pi-users"
                size="small"
                variant="outlined"
                (onClick)="several.set(true)"
              />
            </div>
          }
        </section>
      </div>
    }
  `,
  styles: `
    .two {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      gap: 1rem;
      align-items: start;
      max-width: 64rem;
    }
    .top {
      align-items: flex-start;
    }
    li {
      padding: 0.15rem 0;
    }
    @media (width < 800px) {
      .two {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class ClassSetUp {
  private readonly clock = inject(Clock);
  private readonly ownSchool = inject(OwnSchool);
  private readonly store = inject(Store);
  private readonly repository = inject(Repository);
  readonly edit = input.required<Editing<'classes'>>();

  protected readonly days = weekdays.map((label, index) => ({ label, value: index + 1 }));
  protected readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  protected readonly chains = toSignal(this.repository.chains$, { initialValue: [] });
  protected readonly students = toSignal(this.repository.students$, { initialValue: [] });
  /** Whether people are being added by name. */
  protected readonly several = signal(false);
  protected readonly names = computed(() => this.students().map(({ name }) => name));
  protected readonly count = computed(() => {
    const roster = new Set(this.edit().draft()?.roster);
    return this.students().filter(({ id }) => roster.has(id)).length;
  });
  /** Where the class is in its chain; null where it has none. */
  protected readonly nextLesson = computed(() => {
    const of = this.edit().draft();
    const chain = this.chains().find(({ id }) => id === of?.chainId);
    return of == null || chain === undefined ? null : chainOfClass(chain, of).nextLesson;
  });

  /** People by their names: who is new becomes a student, and all of them belong to the class; one step. */
  protected async join({ fresh, here }: { readonly fresh: string[]; readonly here: string[] }): Promise<void> {
    const schoolId = this.ownSchool.school().id;
    const made = fresh.map((name) => newStudent(this.clock.newId(), name, schoolId));
    const ids = [...this.students().filter(({ name }) => here.includes(name)), ...made].map(({ id }) => id);
    const of = this.edit().draft();
    if (of == null) return;
    const writes = [
      ...made.map((student) => ({ table: 'students' as const, add: student })),
      {
        table: 'classes' as const,
        id: of.id,
        change: (now: TaughtClass) => ({ ...now, roster: [...new Set([...now.roster, ...ids])] }),
      },
    ];
    await this.store.writeOnce(`People of ${of.name}`, writes, ['join', of.id, ...fresh, ...here]);
    this.several.set(false);
  }

  /** In the order in which they were added: those who came first are first in the rows. */
  protected belongs(id: string, wanted: boolean): void {
    void this.edit().change('Who belongs to the class', (of) => {
      const others = of.roster.filter((entry) => entry !== id);
      return { ...of, roster: wanted ? [...others, id] : others };
    });
  }

  /** Another chain is begun where that chain is. */
  protected setChain(chainId: string | null): void {
    void this.edit().change('Chain of the class', (of): TaughtClass => ({ ...of, chainId, progress: null }));
  }

  /** The next lesson set by hand: the pieces before it are learned. */
  protected setLesson(lesson: number | null): void {
    if (lesson === null) return;
    const progress = { nextLesson: lesson, taught: lesson - 1, lastHalf: null, joinedLast: false };
    void this.edit().change('Next lesson of the class', (of): TaughtClass => ({ ...of, progress }));
  }
}
