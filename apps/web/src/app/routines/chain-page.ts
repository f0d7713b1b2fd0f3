import { CdkDrag, CdkDragHandle, CdkDropList, moveItemInArray, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import {
  chainLessons,
  durationWords,
  sideWords,
  travelOf,
  travelWords,
  turnWords,
  type Chain,
  type Lesson,
  type Piece,
  type Travel,
  lessonStepWords,
  lessonHeld,
  lessonRoutine,
  newRoutine,
  taughtOf,
  termPicture,
  termWords,
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
import { ChainFloorView } from './chain-floor';
import { RowKeys } from '../ui/row-keys';
import { OneStop, OneStopItem } from '../ui/one-stop';

/** Lessons that are laid out at once. */
const TERM = 14;

/** Turns that are offered, degrees to the right: by eighths. */
const TURNS = [-360, -315, -270, -225, -180, -135, -90, -45, 0, 45, 90, 135, 180, 225, 270, 315, 360];

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
    ChainFloorView,
    Checkbox,
    DurationField,
    Empty,
    FormsModule,
    InputText,
    NotKept,
    NumberField,
    RouterLink,
    Select,
    TextField,
    RowKeys,
    OneStop,
    OneStopItem,
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
  protected readonly shelf = computed(() => new Map(this.exercises().map((exercise) => [exercise.id, exercise])));
  protected readonly school = this.ownSchool.school;
  /** Where each piece goes, as it is written or as its drill does, and the turns to choose from. */
  protected readonly ways = computed(() => {
    const chain = this.chain();
    return (chain?.pieces ?? []).map((piece) => {
      const way = travelOf(piece, this.shelf().get(piece.exerciseId ?? ''), chain!.stepMetres);
      const turns = TURNS.includes(way.turnDeg) ? TURNS : [...TURNS, way.turnDeg].toSorted((a, b) => a - b);
      const words = travelWords(way) || 'stays on its place';
      return { ...way, words, turns: turns.map((value) => ({ value, label: turnWords(value) || 'no turn' })) };
    });
  });
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
      title: lesson.teaches?.name ?? 'Nothing new',
      minutes: Math.round(lesson.seconds / 60),
      length: durationWords(lesson.seconds),
      full: Math.min(100, (100 * lesson.seconds) / chain.lessonSeconds),
      steps: lesson.parts.map(lessonStepWords),
      facing: lesson.teaches === null ? '' : sideWords(lesson.teaches.side, 'facing'),
      behind: lesson.teaches === null ? '' : sideWords(lesson.teaches.side, 'from behind'),
    }));
  });

  /** The lesson that was chosen to be looked at; null: the next one. */
  protected readonly chosen = signal<number | null>(null);
  protected readonly shown = computed(() => {
    const lessons = this.lessons();
    return lessons.find(({ number }) => number === this.chosen()) ?? lessons[0];
  });
  /** What each lesson does with each piece. */
  protected readonly term = computed(() => {
    const chain = this.chain();
    if (chain === null || chain === undefined) return [];
    const marks = termPicture(chain, this.lessons());
    return marks.map((row) => ({
      marks: row.map((mark) => mark.replace(' ', '-')),
      words: termWords(row, chain.nextLesson),
    }));
  });
  protected readonly lessonMinutes = computed(() => Math.round((this.chain()?.lessonSeconds ?? 0) / 60));

  /** The pieces whose exercise and way are unfolded. */
  protected readonly opened = signal<ReadonlySet<string>>(new Set());

  protected toggle({ id }: Piece): void {
    this.opened.update(
      (opened) => new Set(opened.has(id) ? [...opened].filter((other) => other !== id) : [...opened, id]),
    );
  }

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
        { id, name: `Piece ${chain.pieces.length + 1}`, seconds: 30, side: 'both', exerciseId: null, travel: null },
      ],
    }));
  }

  protected remove(piece: Piece): void {
    this.change(`Remove ${piece.name}`, (chain) => ({
      ...chain,
      pieces: chain.pieces.filter((entry) => entry.id !== piece.id),
    }));
  }

  /** Where a piece goes, written from now on; what its drill does is where it begins from. */
  protected setWay(piece: Piece, key: keyof Travel, value: number | null): void {
    const chain = this.chain();
    if (value === null || chain === null || chain === undefined) return;
    const from = travelOf(piece, this.shelf().get(piece.exerciseId ?? ''), chain.stepMetres);
    this.edit.set(['pieces', { id: piece.id }, 'travel', key], value, from);
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
