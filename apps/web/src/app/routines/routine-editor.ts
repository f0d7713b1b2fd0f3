import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, ElementRef, computed, effect, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { catchError, debounceTime, of, switchMap } from 'rxjs';
import {
  RoutineSchema,
  builtInSchools,
  capacityGuess,
  duplicateSegment,
  insertSegment,
  moveSegment,
  newSegment,
  removeSegment,
  replaceSegment,
  standardBody,
  timeline,
  type Exercise,
  type Routine,
  type Segment,
} from '@pomek/core';
import { Compute } from '../compute/compute';
import type { SegmentEffort } from './effort-words';
import { Clock } from '../data/clock';
import { Repository, schoolOf } from '../data/repository';
import { Store } from '../data/store';
import { DurationField } from '../ui/duration-field';
import { Empty } from '../ui/empty';
import { RoutineSummary } from './routine-summary';
import { SegmentCard } from './segment-card';
import { ShelfList } from './shelf-list';

/** A guess for a standard body at forty, until a student with a baseline is chosen. */
const STANDARD_CAPACITY = capacityGuess(standardBody.mass, 40);
const SETTLE_MS = 150;

/** The workbench of one routine: the shelf, the row of segments, the sums. */
@Component({
  selector: 'pk-routine-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Button,
    ButtonDirective,
    CdkDrag,
    CdkDragHandle,
    CdkDropList,
    DurationField,
    Empty,
    FormsModule,
    InputText,
    RouterLink,
    RoutineSummary,
    SegmentCard,
    Select,
    ShelfList,
  ],
  templateUrl: './routine-editor.html',
  styleUrl: './routine-editor.scss',
})
export class RoutineEditor {
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  private readonly repository = inject(Repository);
  private readonly compute = inject(Compute);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly id = input.required<string>();

  protected readonly routine = toSignal(
    toObservable(this.id).pipe(switchMap((id) => this.repository.one('routines', id))),
  );
  protected readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });
  protected readonly schools = toSignal(this.repository.schools$, { initialValue: [...builtInSchools] });
  protected readonly shelf = computed(() => new Map(this.exercises().map((exercise) => [exercise.id, exercise])));
  protected readonly school = computed(() => schoolOf(this.schools(), this.routine()?.schoolId));
  protected readonly openId = signal<string | null>(null);
  protected readonly said = signal('');
  private focusWanted: string | null = null;

  /** Seconds of each segment with everything that belongs to it. */
  protected readonly lengths = computed(() => {
    const routine = this.routine();
    const sums = new Map<string, number>();
    if (routine === null || routine === undefined) return sums;
    for (const span of timeline(routine).spans) {
      sums.set(span.segmentId, (sums.get(span.segmentId) ?? 0) + span.durationMs / 1000);
    }
    return sums;
  });

  private readonly question = computed(() => {
    const routine = this.routine();
    if (routine === null || routine === undefined) return null;
    const used = new Set(routine.segments.map((segment) => (segment.type === 'exercise' ? segment.exerciseId : '')));
    const drills = this.exercises()
      .filter(({ id }) => used.has(id))
      .map(({ id, family, posture }) => ({ id, family, posture }));
    return {
      routine,
      drills,
      body: { stature: standardBody.stature, mass: standardBody.mass },
      capacity: STANDARD_CAPACITY,
    };
  });
  /** What the routine asks of a standard body; null while it is not known. */
  protected readonly effort = toSignal(
    toObservable(this.question).pipe(
      debounceTime(SETTLE_MS),
      switchMap((question) =>
        question === null ? of(null) : this.compute.result('effort', question).pipe(catchError(() => of(null))),
      ),
    ),
    { initialValue: null },
  );

  constructor() {
    effect(() => {
      this.routine();
      const id = this.focusWanted;
      if (id === null) return;
      setTimeout(() => {
        const row = this.host.nativeElement.querySelector<HTMLElement>(`[data-segment="${id}"] .title`);
        if (row === null) return;
        this.focusWanted = null;
        row.focus();
      });
    });
  }

  protected effortOf(segment: Segment): SegmentEffort | undefined {
    return this.effort()?.segments.find((entry) => entry.segmentId === segment.id);
  }

  protected nameOf(segment: Segment): string {
    if (segment.type !== 'exercise') return segment.label !== '' ? segment.label : segment.type;
    return this.shelf().get(segment.exerciseId)?.name ?? 'An exercise that is gone';
  }

  protected change(label: string, command: (routine: Routine) => Routine, mergeKey: string | null = null): void {
    const change = (stored: Routine): Routine => RoutineSchema.parse(command(stored));
    this.store.write(label, [{ table: 'routines', id: this.id(), change }], mergeKey).catch(() => undefined);
  }

  protected add(exercise: Exercise): void {
    const segment = newSegment(this.clock.newId(), exercise, this.school());
    this.openId.set(segment.id);
    this.said.set(`${exercise.name} added at the end`);
    this.change(`Add ${exercise.name}`, (routine) => insertSegment(routine, segment));
  }

  protected addPause(type: 'rest' | 'talk'): void {
    const segment: Segment = { type, id: this.clock.newId(), seconds: 60, label: type === 'rest' ? 'Rest' : 'Explain' };
    this.openId.set(segment.id);
    this.change(type === 'rest' ? 'Add a rest' : 'Add teaching time', (routine) => insertSegment(routine, segment));
  }

  protected drop(event: CdkDragDrop<unknown>): void {
    const segment = this.routine()?.segments[event.previousIndex];
    if (segment !== undefined) this.move(segment, event.previousIndex, event.currentIndex);
  }

  protected move(segment: Segment, from: number, to: number): void {
    const last = (this.routine()?.segments.length ?? 1) - 1;
    if (to < 0 || to > last || to === from) return;
    this.focusWanted = segment.id;
    this.said.set(`${this.nameOf(segment)} is now number ${to + 1} of ${last + 1}`);
    this.change(`Move ${this.nameOf(segment)}`, (routine) => moveSegment(routine, from, to));
  }

  protected duplicate(segment: Segment): void {
    const id = this.clock.newId();
    this.focusWanted = id;
    this.change(`Duplicate ${this.nameOf(segment)}`, (routine) => duplicateSegment(routine, segment.id, id));
  }

  protected remove(segment: Segment, index: number): void {
    const neighbours = this.routine()?.segments ?? [];
    this.focusWanted = (neighbours[index + 1] ?? neighbours[index - 1])?.id ?? null;
    this.said.set(`${this.nameOf(segment)} removed`);
    this.change(`Remove ${this.nameOf(segment)}`, (routine) => removeSegment(routine, segment.id));
  }

  protected replace(segment: Segment): void {
    this.change(
      `Change ${this.nameOf(segment)}`,
      (routine) => replaceSegment(routine, segment),
      `${this.id()} ${segment.id}`,
    );
  }

  protected rename(name: string): void {
    this.change('Rename the routine', (routine) => ({ ...routine, name }), `${this.id()} name`);
  }

  protected set(part: Partial<Routine>): void {
    this.change(
      'Change the routine',
      (routine) => ({ ...routine, ...part }),
      `${this.id()} ${Object.keys(part).join()}`,
    );
  }

  protected onKey(event: KeyboardEvent, segment: Segment, index: number): void {
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      this.move(segment, index, index + (event.key === 'ArrowUp' ? -1 : 1));
    }
  }
}
