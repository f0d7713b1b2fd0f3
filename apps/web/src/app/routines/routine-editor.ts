import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { duplicateSegment, moveSegment, newSegment, removeSegment, type Exercise, type Segment } from '@pomek/core';
import { asLeft } from '../data/as-left';
import { Empty } from '../ui/empty';
import { NotKept } from '../ui/not-kept';
import { NumberField } from '../ui/number-field';
import { TextField } from '../ui/text-field';
import { Thread, type Picked } from '../ui/thread';
import { Inspector, type InspectorTab } from './inspector';
import { RoutineSummary } from './routine-summary';
import { SegmentRow } from './segment-row';
import { Selection } from './selection';
import { ShelfList } from './shelf-list';
import { Workbench } from './workbench';

/** The workbench of one routine: the thread, the shelf, the segments with their doses, the sums and what is wrong. */
@Component({
  selector: 'pk-routine-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [Workbench, Selection],
  imports: [
    Button,
    ButtonDirective,
    CdkDrag,
    CdkDragHandle,
    CdkDropList,
    Empty,
    FormsModule,
    InputText,
    Inspector,
    NotKept,
    NumberField,
    RouterLink,
    RoutineSummary,
    SegmentRow,
    Select,
    ShelfList,
    TextField,
    Thread,
  ],
  templateUrl: './routine-editor.html',
  styleUrl: './routine-editor.scss',
})
export class RoutineEditor {
  protected readonly bench = inject(Workbench);
  protected readonly selection = inject(Selection);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly thread = viewChild(Thread);
  readonly id = input.required<string>();

  protected readonly routine = this.bench.routine;
  protected readonly openId = signal<string | null>(null);
  protected readonly tab = asLeft<InspectorTab>('inspector', 'findings');
  protected readonly said = signal('');
  protected readonly people = computed(() => [
    { label: 'a standard body', value: null },
    ...this.bench.choice.students().map((student) => ({ label: student.name, value: student.id })),
  ]);
  protected readonly course = computed(() => this.bench.effort()?.course ?? []);
  private focusWanted: string | null = null;

  constructor() {
    effect(() => this.bench.id.set(this.id()));
    effect(() => {
      this.routine();
      const id = this.focusWanted;
      if (id === null) return;
      setTimeout(() => {
        const row = this.row(id)?.querySelector<HTMLElement>('.title');
        if (row == null) return;
        this.focusWanted = null;
        row.focus();
      });
    });
    // What is selected alone on the thread is the one that is looked at.
    effect(() => {
      const active = this.selection.active();
      if (active === null || this.selection.ids().size !== 1) return;
      untracked(() => this.openId.set(active));
      this.thread()?.reveal(active);
      setTimeout(() => this.row(active)?.scrollIntoView({ block: 'nearest' }));
    });
  }

  private row(id: string): HTMLElement | null {
    const rows = this.host.nativeElement.querySelectorAll<HTMLElement>('[data-segment]');
    return [...rows].find((row) => row.dataset['segment'] === id) ?? null;
  }

  protected roundTimes(segment: Segment): number {
    return this.routine()?.rounds.find((round) => round.id === segment.roundId)?.times ?? 1;
  }

  protected pick(picked: Picked): void {
    this.selection.pick(picked);
    if (picked.how === 'alone') this.tab.set('dose');
  }

  protected open(id: string): void {
    this.selection.pick({ id, how: 'alone' });
    this.look(id);
  }

  /** Shows a segment where it lies, and leaves the inspector at what it shows. */
  protected show(id: string): void {
    this.selection.pick({ id, how: 'alone' });
    this.openId.set(id);
  }

  private look(id: string): void {
    this.openId.set(id);
    this.tab.set('dose');
    // Where the panes stand one below the other, to the dose.
    if (!matchMedia('(width < 760px)').matches) return;
    setTimeout(() => this.host.nativeElement.querySelector('.look')?.scrollIntoView({ block: 'start' }));
  }

  protected add(exercise: Exercise): void {
    const segment = newSegment(this.bench.newId(), exercise, this.bench.school());
    this.said.set(`${exercise.name} added`);
    this.selection.insert(segment, `Add ${exercise.name}`);
    this.look(segment.id);
  }

  protected addPause(type: 'rest' | 'talk'): void {
    const label = type === 'rest' ? 'Rest' : 'Explain';
    const segment: Segment = { type, id: this.bench.newId(), seconds: 60, label, roundId: null };
    this.selection.insert(segment, type === 'rest' ? 'Add a rest' : 'Add teaching time');
    this.look(segment.id);
  }

  protected drop(event: CdkDragDrop<unknown>): void {
    const segment = this.routine()?.segments[event.previousIndex];
    if (segment !== undefined) this.move(segment, event.previousIndex, event.currentIndex);
  }

  protected move(segment: Segment, from: number, to: number): void {
    const last = (this.routine()?.segments.length ?? 1) - 1;
    if (to < 0 || to > last || to === from) return;
    this.focusWanted = segment.id;
    const name = this.bench.nameOf(segment);
    this.said.set(`${name} is now number ${to + 1} of ${last + 1}`);
    this.bench.change(`Move ${name}`, (routine) => {
      const at = routine.segments.findIndex((entry) => entry.id === segment.id);
      const place = Math.max(0, Math.min(routine.segments.length - 1, at + to - from));
      return at < 0 ? routine : moveSegment(routine, at, place);
    });
  }

  private duplicate(segment: Segment): void {
    const id = this.bench.newId();
    this.focusWanted = id;
    this.bench.change(`Duplicate ${this.bench.nameOf(segment)}`, (routine) =>
      duplicateSegment(routine, segment.id, id),
    );
  }

  private remove(segment: Segment, index: number): void {
    const neighbours = this.routine()?.segments ?? [];
    this.focusWanted = (neighbours[index + 1] ?? neighbours[index - 1])?.id ?? null;
    this.said.set(`${this.bench.nameOf(segment)} removed`);
    this.bench.change(`Remove ${this.bench.nameOf(segment)}`, (routine) => removeSegment(routine, segment.id));
  }

  /** The segment that is looked at, with its place. */
  private opened(): { segment: Segment; index: number } | null {
    const segments = this.routine()?.segments ?? [];
    const index = segments.findIndex(({ id }) => id === this.openId());
    return index < 0 ? null : { segment: segments[index]!, index };
  }

  protected moveOpen(by: number): void {
    const it = this.opened();
    if (it !== null) this.move(it.segment, it.index, it.index + by);
  }

  protected duplicateOpen(): void {
    const it = this.opened();
    if (it !== null) this.duplicate(it.segment);
  }

  protected removeOpen(): void {
    const it = this.opened();
    if (it !== null) this.remove(it.segment, it.index);
  }

  protected onKey(event: KeyboardEvent, segment: Segment, index: number): void {
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      this.move(segment, index, index + (event.key === 'ArrowUp' ? -1 : 1));
    } else if (event.key === 'Enter') {
      event.preventDefault();
      this.open(segment.id);
      this.enterDose();
    }
  }

  protected onThreadKey(event: KeyboardEvent): void {
    const thread = this.thread();
    const zooms: Record<string, () => void> = {
      '+': () => thread?.zoom(1.5),
      '=': () => thread?.zoom(1.5),
      '-': () => thread?.zoom(1 / 1.5),
      '0': () => thread?.whole(),
      Enter: () => this.enter(),
    };
    const zoom = event.ctrlKey || event.metaKey ? undefined : zooms[event.key];
    if (zoom !== undefined) {
      event.preventDefault();
      zoom();
    } else this.selection.key(event);
  }

  /** From the thread into the dose of what is selected. */
  private enter(): void {
    const active = this.selection.active();
    if (active === null) return;
    this.look(active);
    this.enterDose();
  }

  /** From the dose back to its segment in the list. */
  protected leaveDose(event: Event): void {
    const row = this.host.nativeElement.querySelector<HTMLElement>('pk-segment button[aria-pressed="true"]');
    if (row === null || event.defaultPrevented) return;
    event.preventDefault();
    row.focus();
  }

  private enterDose(): void {
    setTimeout(() => this.host.nativeElement.querySelector<HTMLElement>('pk-segment-dose input')?.focus());
  }
}
