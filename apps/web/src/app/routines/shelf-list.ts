import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { InputText } from 'primeng/inputtext';
import { doseWords, families, searchExercises, type Exercise } from '@pomek/core';
import { asLeft } from '../data/as-left';
import { TextField } from '../ui/text-field';

/** The exercises to take from, by family; Enter in the search takes the first that is found. */
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
      placeholder="Search"
      title="Enter adds the first found"
      aria-label="Search the shelf; Enter adds the first found"
    />
    @for (group of groups(); track group.family) {
      <h2>{{ group.family }}</h2>
      <ul class="bare">
        @for (exercise of group.exercises; track exercise.id) {
          <li>
            <button type="button" (click)="pick.emit(exercise)" [title]="dose(exercise)">
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
      text-transform: capitalize;
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
  readonly exercises = input.required<readonly Exercise[]>();
  readonly pick = output<Exercise>();
  protected readonly text = asLeft('shelf-text', '');
  private readonly found = computed(() => searchExercises(this.exercises(), this.text()));
  protected readonly groups = computed(() =>
    families
      .map((family) => ({ family, exercises: this.found().filter((exercise) => exercise.family === family) }))
      .filter((group) => group.exercises.length > 0),
  );

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
