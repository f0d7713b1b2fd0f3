import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import {
  builtInSchools,
  durationWords,
  mirrorRoutine,
  newChain,
  newRoutine,
  timeline,
  type Chain,
  type Routine,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Everybody } from '../data/everybody';
import { Notices } from '../data/notices';
import { schoolOf } from '../data/gathered';
import { OwnSchool } from '../data/own-school';
import { Repository } from '../data/repository';
import { NewThings } from '../data/new-things';
import { Store } from '../data/store';
import { Empty } from '../ui/empty';
import { RoutineStrip } from './routine-strip';
import { RowKeys } from '../ui/row-keys';

@Component({
  selector: 'pk-routines',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, ButtonDirective, Empty, RoutineStrip, RouterLink, RowKeys],
  template: `
    <div class="page stack">
      <div class="row spread">
        <h1>Routines</h1>
        <div class="row">
          <a pButton routerLink="/routines/lay-out"><i class="pi pi-sparkles" aria-hidden="true"></i> Lay one out</a>
          <p-button label="New routine" icon="pi pi-plus" variant="outlined" (onClick)="add()" />
        </div>
      </div>
      @if (rows(); as list) {
        @if (list.length === 0) {
          <pk-empty
            heading="No routine yet"
            text="A routine is a row of exercises with their doses. Begin with a new one; the shelf of exercises stands beside it."
          >
            <p-button label="Build the first routine" icon="pi pi-plus" (onClick)="add()" />
          </pk-empty>
        } @else {
          <div class="sheet scroll-x">
            <table class="plain">
              <thead>
                <tr>
                  <th scope="col">Routine</th>
                  <th scope="col">Length</th>
                  <th scope="col">Exercises</th>
                  <th scope="col">School</th>
                  <th scope="col"><span class="hidden-text">Actions</span></th>
                </tr>
              </thead>
              <tbody pkRowKeys>
                @for (row of list; track row.routine.id) {
                  <tr>
                    <td>
                      <a class="title" [routerLink]="['/routines', row.routine.id]">{{ row.routine.name }}</a>
                      <p class="small soft">{{ row.routine.note }}</p>
                      <pk-routine-strip [routine]="row.routine" [exercises]="shelf()" />
                      @if (row.people !== '') {
                        <p class="small">Practised by {{ row.people }}</p>
                      }
                    </td>
                    <td class="num">{{ row.length }}</td>
                    <td class="num">{{ row.count }}</td>
                    <td class="num">{{ row.school }}</td>
                    <td>
                      <div class="row actions">
                        <p-button
                          icon="pi pi-copy"
                          variant="text"
                          [ariaLabel]="'Duplicate ' + row.routine.name"
                          title="Duplicate"
                          (onClick)="duplicate(row.routine)"
                        />
                        <p-button
                          icon="pi pi-arrow-right-arrow-left"
                          variant="text"
                          [ariaLabel]="'Mirror ' + row.routine.name"
                          title="A copy with left and right exchanged"
                          (onClick)="mirror(row.routine)"
                        />
                        <p-button
                          icon="pi pi-trash"
                          variant="text"
                          [ariaLabel]="'Remove ' + row.routine.name"
                          title="Remove"
                          (onClick)="remove(row.routine)"
                        />
                      </div>
                    </td>
                  </tr>
                }
              </tbody>
            </table>
          </div>
        }
      }
      <div class="row spread">
        <h2>Chains</h2>
        <p-button label="New chain" icon="pi pi-plus" variant="outlined" size="small" (onClick)="addChain()" />
      </div>
      <p class="soft">
        A chain is a sequence taught piece by piece: each lesson repeats what came before, adds one, and plays the
        whole.
      </p>
      <ul class="bare chains">
        @for (chain of chains(); track chain.id) {
          <li class="row spread">
            <span>
              <a class="title" [routerLink]="['/routines/chains', chain.id]">{{ chain.name }}</a>
              <span class="small soft num">
                {{ chain.pieces.length }} pieces, lesson {{ chain.nextLesson }} is next</span
              >
            </span>
            <p-button
              icon="pi pi-trash"
              variant="text"
              [ariaLabel]="'Remove the chain ' + chain.name"
              (onClick)="removeChain(chain)"
            />
          </li>
        }
      </ul>
    </div>
  `,
  styles: `
    .title {
      font: 600 1.15rem var(--pk-display);
    }
    td:first-child {
      width: 100%;
      max-width: 0;
    }
    .actions {
      flex-wrap: nowrap;
      gap: 0;
    }
    @media (width < 820px) {
      td:first-child {
        max-width: none;
        min-width: 20rem;
      }
    }
    .num {
      white-space: nowrap;
    }
  `,
})
export class Routines {
  private readonly ownSchool = inject(OwnSchool);
  private readonly store = inject(Store);
  private readonly newThings = inject(NewThings);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  private readonly repository = inject(Repository);
  private readonly schools = toSignal(this.repository.schools$, { initialValue: [...builtInSchools] });
  private readonly routines = toSignal(this.repository.routines$);
  protected readonly chains = toSignal(this.repository.chains$, { initialValue: [] });
  private readonly plans = toSignal(this.repository.plans$, { initialValue: [] });
  private readonly students = toSignal(this.repository.students$, { initialValue: [] });
  protected readonly shelf = inject(Everybody).shelf;

  protected readonly rows = computed(() =>
    this.routines()?.map((routine) => ({
      routine,
      length: durationWords(timeline(routine).totalMs / 1000),
      count: routine.segments.filter((segment) => segment.type === 'exercise').length,
      school: schoolOf(this.schools(), routine.schoolId).name,
      people: this.peopleOf(routine.id),
    })),
  );

  /** Whose plans are built on it. */
  private peopleOf(routineId: string): string {
    const ids = new Set(this.plans().flatMap((plan) => (plan.routineId === routineId ? [plan.studentId] : [])));
    return this.students()
      .flatMap(({ id, name }) => (ids.has(id) ? [name] : []))
      .join(', ');
  }

  protected async add(): Promise<void> {
    const routine = newRoutine(this.clock.newId(), 'New routine', this.ownSchool.school());
    await this.newThings.begin('New routine', 'routines', routine, ['/routines', routine.id]);
  }

  protected async addChain(): Promise<void> {
    const chain = newChain(this.clock.newId(), 'New chain');
    await this.newThings.begin('New chain', 'chains', chain, ['/routines/chains', chain.id]);
  }

  protected async removeChain(chain: Chain): Promise<void> {
    await this.store.write(`Remove ${chain.name}`, [{ table: 'chains', remove: chain.id }]);
    this.notices.done(`${chain.name} removed`, { undo: true });
  }

  protected duplicate(routine: Routine): void {
    void this.put(`Duplicate ${routine.name}`, { ...routine, name: `${routine.name} (copy)`.slice(0, 80) });
  }

  protected mirror(routine: Routine): void {
    void this.put(`Mirror ${routine.name}`, {
      ...mirrorRoutine(routine),
      name: `${routine.name} (mirrored)`.slice(0, 80),
    });
  }

  protected async remove(routine: Routine): Promise<void> {
    const used = this.plans().some((plan) => plan.routineId === routine.id);
    await this.store.write(`Remove ${routine.name}`, [{ table: 'routines', remove: routine.id }]);
    this.notices.done(`${routine.name} removed`, {
      detail: used ? 'A plan was built on it and now has no routine.' : '',
      undo: true,
    });
  }

  private async put(label: string, routine: Routine): Promise<void> {
    const segments = routine.segments.map((segment) => ({ ...segment, id: this.clock.newId() }));
    const made = { ...routine, segments, id: this.clock.newId() };
    await this.store.writeOnce(label, [{ table: 'routines', add: made }], [label, routine.id]);
    this.notices.done(label, { undo: true });
  }
}
