import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import {
  apartLines,
  axesOf,
  axisValue,
  axisWords,
  classRoutine,
  leastDoses,
  ownRungs,
  type Apart,
  type ExerciseSegment,
} from '@pomek/core';
import { Everybody } from '../data/everybody';
import { remembered } from '../data/remembered';
import { Repository } from '../data/repository';
import { againstMinutes, apartIn } from '../ui/class-words';
import { Workbench } from './workbench';

/** The routine seen for a class: whether it fits its time, where somebody has less, and who needs which variant. */
@Component({
  selector: 'pk-class-look',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, RouterLink, Select],
  template: `
    @if (classes().length === 0) {
      <p class="soft">
        No class yet: with one the routine can be looked at for everybody in it.
        <a routerLink="/classes">To the classes</a>
      </p>
    } @else {
      <p-select
        [options]="classes()"
        optionLabel="name"
        optionValue="id"
        [ngModel]="of()?.id ?? null"
        (ngModelChange)="chosen.set($event)"
        placeholder="For which class?"
        ariaLabel="Looked at for which class"
        appendTo="body"
      />
      @if (of(); as it) {
        @if (length(); as length) {
          <p class="num" [class.wrong]="length.over">
            <strong>{{ length.whole }}</strong> of {{ it.minutes }} min: {{ length.words }}
          </p>
        }
        @if (!known()) {
          <p class="soft">Looking through the practices…</p>
        } @else {
          @if (less().length === 0) {
            <p>Nobody in it has less than the routine asks for.</p>
          } @else {
            <table class="plain small num">
              <thead>
                <tr>
                  <th scope="col">Exercise</th>
                  <th scope="col">Asks</th>
                  <th scope="col">Least</th>
                  <th scope="col">Of whom</th>
                </tr>
              </thead>
              <tbody>
                @for (row of less(); track row.id) {
                  <tr>
                    <th scope="row">{{ row.name }}</th>
                    <td>{{ row.asks }}</td>
                    <td>{{ row.least }}</td>
                    <td>{{ row.who }}</td>
                  </tr>
                }
              </tbody>
            </table>
            <div class="row">
              <p-button label="Reduce to what everyone can do" size="small" variant="outlined" (onClick)="lower()" />
            </div>
          }
          <ul class="bare small">
            @for (row of people(); track row.id) {
              <li>
                <a [routerLink]="['/students', row.id]">{{ row.name }}</a>
                @for (one of row.apart; track one.words; let first = $first) {
                  <span>{{ first ? ': ' : '; ' }}{{ called(one) }} {{ one.words }}</span>
                } @empty {
                  <span class="soft">: as it stands</span>
                }
              </li>
            }
          </ul>
        }
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.6rem;
    }
    li {
      padding: 0.2rem 0;
    }
  `,
})
export class ClassLook {
  private readonly bench = inject(Workbench);
  private readonly everybody = inject(Everybody);
  protected readonly chosen = remembered('routine-class');
  protected readonly classes = toSignal(inject(Repository).classes$, { initialValue: [] });
  protected readonly of = computed(() => this.classes().find(({ id }) => id === this.chosen.value()) ?? null);

  private readonly roster = computed(() => this.of()?.roster ?? []);
  /** Those of the class; null while not everything of them is read. */
  private readonly members = this.everybody.firstOf(this.roster);
  protected readonly known = computed(() => this.members() !== null);
  private readonly rungs = computed(() => {
    const [routine, members] = [this.bench.routine(), this.members()];
    if (routine == null || members === null) return [];
    return members.map(({ student: { id, name }, person }) => ({
      studentId: id,
      name,
      rungs: ownRungs(routine, person),
    }));
  });
  private readonly segments = computed(() =>
    (this.bench.routine()?.segments ?? []).filter((segment): segment is ExerciseSegment => segment.type === 'exercise'),
  );
  protected readonly people = computed(() =>
    this.rungs().map(({ studentId, name, rungs }) => ({
      id: studentId,
      name,
      apart: apartLines(rungs, this.segments(), this.everybody.shelf()),
    })),
  );
  protected readonly less = computed(() => {
    const routine = this.bench.routine();
    if (routine == null) return [];
    const names = new Map(this.rungs().map(({ studentId, name }) => [studentId, name]));
    return leastDoses(routine, this.rungs()).map(({ segment, least, who }) => {
      const axis = axesOf(segment.dose)[0]!;
      return {
        id: segment.id,
        name: this.bench.nameOf(segment),
        asks: axisWords(axisValue(segment.dose, axis), axis),
        least: axisWords(axisValue(least.dose, axis), axis),
        who: who.map((id) => names.get(id)).join(', '),
      };
    });
  });
  protected readonly length = computed(() => {
    const routine = this.bench.routine();
    return routine == null ? null : againstMinutes(routine, this.of()?.minutes ?? 0);
  });

  protected called(apart: Apart): string {
    return apartIn(apart, this.segments().length);
  }

  /** Every dose goes down to the least that anybody of the class has; undone in one step. */
  protected lower(): void {
    const rungs = this.rungs().map((one) => one.rungs);
    this.bench.change(`Reduce to what everyone in ${this.of()?.name ?? 'a class'} can do`, (routine) =>
      classRoutine(routine, rungs, 'everybody'),
    );
  }
}
