import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { families, searchExercises, type Exercise, type Family, type Posture } from '@pomek/core';
import { asLeft } from '../data/as-left';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { Repository } from '../data/repository';
import { NewThings } from '../data/new-things';
import { Store } from '../data/store';
import { ExerciseSheet } from './exercise-sheet';
import { blankExercise, copyOf } from './own-exercise';
import { TextField } from '../ui/text-field';
import { CountedPipe } from '../ui/counted.pipe';
import { OneStop, OneStopItem } from '../ui/one-stop';

/** The shelf: every exercise by family, and the one that is open. */
@Component({
  selector: 'pk-exercises',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Button,
    CountedPipe,
    ExerciseSheet,
    FormsModule,
    InputText,
    OneStop,
    OneStopItem,
    RouterLink,
    Select,
    TextField,
  ],
  templateUrl: './exercises.html',
  styleUrl: './exercises.scss',
})
export class Exercises {
  private readonly router = inject(Router);
  private readonly store = inject(Store);
  private readonly newThings = inject(NewThings);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  private readonly repository = inject(Repository);
  readonly id = input<string>();

  protected readonly exercises = toSignal(this.repository.exercises$);
  private readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  protected readonly text = asLeft('exercises-text', '');
  protected readonly family = asLeft<Family | null>('exercises-family', null);
  protected readonly familyChoices = [
    { label: 'All families', value: null },
    ...families.map((family) => ({ label: family, value: family })),
  ];

  protected readonly ready = computed(() => this.exercises() !== undefined);
  private readonly found = computed(() => searchExercises(this.exercises() ?? [], this.text(), this.family()));
  protected readonly groups = computed(() =>
    families
      .map((family) => ({ family, exercises: this.found().filter((exercise) => exercise.family === family) }))
      .filter((group) => group.exercises.length > 0),
  );
  protected readonly count = computed(() => this.found().length);
  protected readonly open = computed(() => {
    const wanted = this.exercises()?.find((exercise) => exercise.id === this.id());
    return wanted ?? (this.id() === undefined ? this.found()[0] : undefined);
  });

  protected async add(): Promise<void> {
    const exercise = blankExercise(this.clock.newId(), this.family() ?? 'standing');
    await this.newThings.begin('New exercise', 'exercises', exercise, ['/exercises', exercise.id, 'edit']);
  }

  protected async copy(exercise: Exercise): Promise<void> {
    const own = copyOf(exercise, this.clock.newId());
    await this.newThings.make(`Copy ${exercise.name}`, 'exercises', own, ['/exercises', own.id, 'edit']);
  }

  protected keepPosture(exercise: Exercise, posture: Posture): void {
    void this.store.write(`Posture of ${exercise.name}`, [
      { table: 'exercises', id: exercise.id, change: (stored) => ({ ...stored, posture }) },
    ]);
  }

  protected async remove(exercise: Exercise): Promise<void> {
    const used = this.routines().filter((routine) =>
      routine.segments.some((segment) => segment.type === 'exercise' && segment.exerciseId === exercise.id),
    );
    await this.store.write(`Remove ${exercise.name}`, [{ table: 'exercises', remove: exercise.id }]);
    const detail =
      used.length === 0
        ? ''
        : `It stands in ${used.map((routine) => routine.name).join(', ')}, where it is now missing.`;
    this.notices.done(`${exercise.name} removed`, { detail, undo: true });
    await this.router.navigate(['/exercises']);
  }
}
