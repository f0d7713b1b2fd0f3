import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, output, signal } from '@angular/core';
import { InputText } from 'primeng/inputtext';
import { doseWords, families, searchExercises, type Exercise } from '@pomek/core';
import { asLeft } from '../data/as-left';
import { TextField } from '../ui/text-field';

/** Families in the order in which they are practised: loosening comes first. */
const practised = ['warm-up', ...families.filter((family) => family !== 'warm-up')] as const;

/**
 * The exercises to take from, by family. Enter in the search takes the first that is found; the list is one stop of the
 * Tab key, within it arrow keys lead from one to the next.
 */
@Component({
  selector: 'pk-shelf',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InputText, TextField],
  template: `
    <input
      pInputText
      type="search"
      class="search"
      [pkText]="text()"
      (pkTextChange)="text.set($event)"
      (keydown.enter)="takeFirst($event)"
      (keydown.arrowdown)="go($event, 1)"
      placeholder="Search"
      title="Enter adds the first found"
      aria-label="Search the shelf; Enter adds the first found"
    />
    @for (group of groups(); track group.family) {
      <h2>{{ group.family }}</h2>
      <ul class="bare">
        @for (exercise of group.exercises; track exercise.id) {
          <li>
            <button
              type="button"
              (click)="pick.emit(exercise)"
              (focus)="at.set(exercise.id)"
              (keydown.arrowdown)="go($event, 1)"
              (keydown.arrowup)="go($event, -1)"
              [tabindex]="exercise.id === stop() ? 0 : -1"
              [title]="dose(exercise)"
            >
              <span>{{ exercise.name }}</span><i class="pi pi-plus" aria-hidden="true"></i
              ><span class="hidden-text">, add to the routine</span>
            </button>
          </li>
        }
      </ul>
    } @empty {
      <p class="soft small">Nothing of that name.</p>
    }
  `,
  styles: `
    .search {
      width: 100%;
    }
    h2 {
      font-size: 1.1rem;
      margin: 0.75rem 0 0.2rem;

      &::first-letter {
        text-transform: uppercase;
      }
    }
    button {
      display: flex;
      width: 100%;
      justify-content: space-between;
      align-items: center;
      gap: 0.4rem;
      border: 0;
      border-left: 3px solid var(--pk-line);
      background: none;
      color: var(--pk-ink);
      text-align: left;
      padding: 0.25rem 0.4rem 0.25rem 0.6rem;
      cursor: pointer;
      font-size: 0.94rem;
      line-height: 1.25;
    }
    button:hover {
      background: var(--pk-pine-wash);
      border-left-color: var(--pk-pine);
    }
    i {
      font-size: 0.8rem;
      color: var(--pk-soft);
    }
  `,
})
export class ShelfList {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly exercises = input.required<readonly Exercise[]>();
  readonly pick = output<Exercise>();
  protected readonly text = asLeft('shelf-text', '');
  private readonly found = computed(() => searchExercises(this.exercises(), this.text()));
  protected readonly groups = computed(() =>
    practised
      .map((family) => ({ family, exercises: this.found().filter((exercise) => exercise.family === family) }))
      .filter((group) => group.exercises.length > 0),
  );

  /** The exercise that has, or had last, the focus. */
  protected readonly at = signal<string | null>(null);
  /** The one that the Tab key stops at. */
  protected readonly stop = computed(() => {
    const shown = this.groups().flatMap(({ exercises }) => exercises);
    return (shown.find(({ id }) => id === this.at()) ?? shown[0])?.id;
  });

  /** To the next or the one before; up from the first back to the search. */
  protected go(event: Event, by: 1 | -1): void {
    event.preventDefault();
    const all = [...this.host.querySelectorAll<HTMLElement>('input, button')];
    all[all.indexOf(event.target as HTMLElement) + by]?.focus();
  }

  protected dose(exercise: Exercise): string {
    return doseWords(exercise.defaultDose);
  }

  protected takeFirst(event: Event): void {
    const [first] = this.found();
    if (first === undefined || this.text() === '') return;
    this.pick.emit(first);
    this.text.set('');
    // At once, so that the next letters do not join the old ones before the page is painted.
    (event.target as HTMLInputElement).value = '';
  }
}
