import { CdkDrag, CdkDragHandle, CdkDropList, moveItemInArray, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { switchMap } from 'rxjs';
import { ChainSchema, chainLessons, durationWords, sideWords, type Chain, type Lesson, type Piece } from '@pomek/core';
import { Clock } from '../data/clock';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
import { DurationField } from '../ui/duration-field';
import { Empty } from '../ui/empty';
import { NumberField } from '../ui/number-field';

/** Lessons that are laid out at once. */
const TERM = 14;

const partWords: Record<Lesson['parts'][number]['kind'], string> = {
  review: 'repeat',
  explain: 'explain',
  legs: 'legs',
  'hands facing': 'hands, facing the class',
  'hands from behind': 'hands, back to the class',
  joined: 'joined',
  whole: 'the whole',
};

/** A sequence in pieces, and its lessons over the term. */
@Component({
  selector: 'pk-chain',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Button,
    CdkDrag,
    CdkDragHandle,
    CdkDropList,
    DurationField,
    Empty,
    FormsModule,
    InputText,
    NumberField,
    RouterLink,
    Select,
  ],
  templateUrl: './chain-page.html',
  styleUrl: './chain-page.scss',
})
export class ChainPage {
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  private readonly repository = inject(Repository);
  readonly id = input.required<string>();

  protected readonly chain = toSignal(toObservable(this.id).pipe(switchMap((id) => this.repository.one('chains', id))));
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
      steps: lesson.parts.map((part) => {
        const what = part.kind === 'review' || part.kind === 'whole' ? `${part.pieces.length} pieces` : part.pieces[0];
        const times = part.times > 1 ? `, ${part.times} times` : '';
        return `${partWords[part.kind]}: ${what}${times} (${durationWords(part.seconds)})`;
      }),
      facing: lesson.teaches === null ? '' : sideWords(lesson.teaches.side, 'facing'),
      behind: lesson.teaches === null ? '' : sideWords(lesson.teaches.side, 'from behind'),
    }));
  });

  protected set(part: Partial<Chain>): void {
    this.change('Change the chain', (chain) => ({ ...chain, ...part }), Object.keys(part).join());
  }

  protected setPiece(id: string, part: Partial<Piece>): void {
    const change = (chain: Chain): Chain => ({
      ...chain,
      pieces: chain.pieces.map((piece) => (piece.id === id ? { ...piece, ...part } : piece)),
    });
    this.change('Change a piece', change, `${id} ${Object.keys(part).join()}`);
  }

  protected add(): void {
    const id = this.clock.newId();
    this.change('Add a piece', (chain) => ({
      ...chain,
      pieces: [...chain.pieces, { id, name: `Piece ${chain.pieces.length + 1}`, seconds: 30, side: 'both' }],
    }));
  }

  protected remove(piece: Piece): void {
    this.change(`Remove ${piece.name}`, (chain) => ({
      ...chain,
      pieces: chain.pieces.filter((entry) => entry.id !== piece.id),
    }));
  }

  protected move(from: number, to: number): void {
    this.change('Move a piece', (chain) => {
      const pieces = [...chain.pieces];
      moveItemInArray(pieces, from, to);
      return { ...chain, pieces };
    });
  }

  protected drop(event: CdkDragDrop<unknown>): void {
    if (event.previousIndex !== event.currentIndex) this.move(event.previousIndex, event.currentIndex);
  }

  /** The next lesson was held: its piece is learned. */
  protected held(lesson: Lesson): void {
    this.change(`Lesson ${lesson.number} held`, (chain) => ({
      ...chain,
      nextLesson: lesson.teaches === null ? chain.nextLesson : chain.nextLesson + 1,
    }));
  }

  private change(label: string, command: (chain: Chain) => Chain, mergeKey: string | null = null): void {
    const change = (stored: Chain): Chain => ChainSchema.parse(command(stored));
    const key = mergeKey === null ? null : `${this.id()} ${mergeKey}`;
    this.store.write(label, [{ table: 'chains', id: this.id(), change }], key).catch(() => undefined);
  }
}
