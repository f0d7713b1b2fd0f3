import { CdkDrag, CdkDragHandle, CdkDropList, moveItemInArray, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import {
  chainLessons,
  durationWords,
  sideWords,
  type Chain,
  type Lesson,
  type Piece,
  lessonStepWords,
  lessonHeld,
  lessonRoutine,
  newRoutine,
  taughtOf,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Editing } from '../data/editing';
import { OwnSchool } from '../data/own-school';
import { Repository } from '../data/repository';
import { Journals } from '../data/journals';
import { DurationField } from '../ui/duration-field';
import { Empty } from '../ui/empty';
import { NotKept } from '../ui/not-kept';
import { NumberField } from '../ui/number-field';
import { TextField } from '../ui/text-field';

/** Lessons that are laid out at once. */
const TERM = 14;

/** A sequence in pieces, and its lessons over the term. */
@Component({
  selector: 'pk-chain',
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
    NotKept,
    NumberField,
    RouterLink,
    Select,
    TextField,
  ],
  templateUrl: './chain-page.html',
  styleUrl: './chain-page.scss',
})
export class ChainPage {
  private readonly clock = inject(Clock);
  private readonly ownSchool = inject(OwnSchool);
  private readonly router = inject(Router);
  private readonly journals = inject(Journals);
  readonly id = input.required<string>();

  protected readonly edit = new Editing('chains', this.id, ({ name }) => `Change ${name}`);
  protected readonly chain = this.edit.draft;
  protected readonly exercises = toSignal(inject(Repository).exercises$, { initialValue: [] });
  private readonly shelf = computed(() => new Map(this.exercises().map((exercise) => [exercise.id, exercise])));
  protected readonly sides = [
    { label: 'both sides', value: 'both' },
    { label: 'left', value: 'left' },
    { label: 'right', value: 'right' },
  ];
  protected readonly lessons = computed(() => {
    const chain = this.chain();
    if (chain === null || chain === undefined || chain.pieces.length === 0) return [];
    return chainLessons(chain, TERM).map((lesson) => ({
      ...lesson,
      length: durationWords(lesson.seconds),
      full: Math.min(100, (100 * lesson.seconds) / chain.lessonSeconds),
      steps: lesson.parts.map(lessonStepWords),
      facing: lesson.teaches === null ? '' : sideWords(lesson.teaches.side, 'facing'),
      behind: lesson.teaches === null ? '' : sideWords(lesson.teaches.side, 'from behind'),
    }));
  });

  /** How many pieces are learned. */
  protected readonly taught = computed(() => {
    const chain = this.chain();
    return chain === null || chain === undefined ? 0 : taughtOf(chain);
  });

  /** The next lesson set by hand: the pieces before it are learned. */
  protected setNext(lesson: number | null): void {
    if (lesson === null) return;
    this.edit.set(['nextLesson'], lesson);
    this.edit.set(['taught'], lesson - 1);
  }

  protected add(): void {
    const id = this.clock.newId();
    this.change('Add a piece', (chain) => ({
      ...chain,
      pieces: [
        ...chain.pieces,
        { id, name: `Piece ${chain.pieces.length + 1}`, seconds: 30, side: 'both', exerciseId: null },
      ],
    }));
  }

  protected remove(piece: Piece): void {
    this.change(`Remove ${piece.name}`, (chain) => ({
      ...chain,
      pieces: chain.pieces.filter((entry) => entry.id !== piece.id),
    }));
  }

  /** Moves a piece so many places on, or back. */
  protected move({ id }: Piece, places: number): void {
    this.change('Move a piece', (chain) => {
      const pieces = [...chain.pieces];
      const from = pieces.findIndex((piece) => piece.id === id);
      moveItemInArray(pieces, from, from + places);
      return { ...chain, pieces };
    });
  }

  protected drop({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    const piece = this.chain()?.pieces[previousIndex];
    if (piece !== undefined && previousIndex !== currentIndex) this.move(piece, currentIndex - previousIndex);
  }

  /** The next lesson was held: its piece is learned, and what it reviewed is remembered. */
  protected held(lesson: Lesson): void {
    this.change(`Lesson ${lesson.number} held`, (chain) => lessonHeld(chain, lesson));
  }

  /** The lesson in the hall, for whoever is there; nothing is logged. A class conducts its own. */
  protected async conduct(lesson: Lesson): Promise<void> {
    const chain = this.chain();
    if (chain === null || chain === undefined) return;
    const id = this.clock.newId();
    const empty = newRoutine(id, chain.name, this.ownSchool.school());
    await this.journals.put({
      id,
      studentId: null,
      routine: lessonRoutine(chain, lesson, null, empty, this.shelf()),
      cares: [],
      group: null,
      events: [],
      seenAt: this.clock.now().getTime(),
    });
    await this.router.navigate(['/practise', id]);
  }

  private change(label: string, command: (chain: Chain) => Chain): void {
    void this.edit.change(label, command);
  }
}
