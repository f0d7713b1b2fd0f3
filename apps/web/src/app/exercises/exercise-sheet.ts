import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { Select } from 'primeng/select';
import {
  careFor,
  counted,
  cycleParts,
  stagedDrill,
  stageChoices,
  stageLine,
  stayingDrill,
  doseWords,
  durationWords,
  inTellingOrder,
  lowerFirst,
  exerciseContradictions,
  newSegment,
  percent,
  rounds,
  signKinds,
  signWords,
  spokenExercise,
  toldPart,
  type Exercise,
  type Phase,
  type Posture,
} from '@pomek/core';
import { Store } from '../data/store';
import { PersonChoice } from '../data/person-choice';
import { Part } from '../ui/part';
import { CheckpointCard } from './checkpoint-card';
import { FigureBench } from './figure-bench';
import { postureFacts } from './posture-facts';

/** One exercise to read: what it is, how it is dosed, what to look at, how it gets easier and harder. */
@Component({
  selector: 'pk-exercise-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, ButtonDirective, CheckpointCard, FigureBench, FormsModule, Part, RouterLink, Select],
  templateUrl: './exercise-sheet.html',
  styleUrl: './exercise-sheet.scss',
})
export class ExerciseSheet {
  protected readonly choice = inject(PersonChoice);
  private readonly store = inject(Store);
  readonly exercise = input.required<Exercise>();
  /** All exercises, for what may be done instead. */
  readonly shelf = input<readonly Exercise[]>([]);
  readonly copied = output();
  readonly removed = output();
  readonly postureKept = output<Posture>();

  protected readonly facts = computed(() => postureFacts(this.exercise().posture));
  protected readonly dose = computed(() => doseWords(this.exercise().defaultDose));
  protected readonly work = computed(() =>
    durationWords(rounds(this.exercise().defaultDose, 'whole').reduce((sum, round) => sum + round.seconds, 0)),
  );
  protected readonly sides = computed(() => {
    const { twoSided, hasDirections } = this.exercise();
    const sided = twoSided ? 'Done on the left and on the right' : 'Both sides together';
    return hasDirections ? `${sided}, forward and reversed.` : `${sided}.`;
  });
  /** The stage that is shown, from 1; null is the whole drill. Another exercise is shown whole. */
  protected readonly stageNumber = linkedSignal<string, number | null>({
    source: () => this.exercise().id,
    computation: () => null,
  });
  protected readonly stageChoices = computed(() => stageChoices(this.exercise()));
  /** As it is written. */
  protected readonly written = computed(() => this.exercise().stages[(this.stageNumber() ?? 0) - 1] ?? null);
  private readonly drill = computed(() => stagedDrill(this.exercise(), this.written()));
  /** As it is said. */
  protected readonly stage = computed(() => this.spoken().stages[(this.stageNumber() ?? 0) - 1] ?? null);
  protected readonly line = stageLine;
  protected readonly lower = lowerFirst;
  /** As it is said in the school, on the side that is chosen. */
  protected readonly spoken = computed(() =>
    spokenExercise(this.drill(), this.choice.school(), this.drill().twoSided ? this.choice.side() : 'both'),
  );
  protected readonly reversed = signal(false);
  protected readonly parts = computed(() =>
    cycleParts(
      stayingDrill(this.spoken(), this.exercise().defaultDose),
      this.exercise().hasDirections && this.reversed() ? 'reversed' : 'forward',
    ),
  );
  /** Its own points first, those for safety before the others. */
  protected readonly points = computed(() => inTellingOrder(this.spoken().checkpoints));
  protected told(part: Phase): string {
    return toldPart(part, this.choice.school());
  }

  protected readonly signs = computed(() =>
    signKinds
      .map((kind) => ({ kind, title: signWords[kind], lines: this.spoken().signs[kind] }))
      .filter(({ lines }) => lines.length > 0),
  );
  protected readonly before = computed(() => {
    const names = new Map(this.shelf().map(({ id, name }) => [id, name]));
    return this.exercise().prerequisites.flatMap((id) => {
      const name = names.get(id);
      return name === undefined ? [] : [{ id, name }];
    });
  });
  protected readonly against = computed(() => exerciseContradictions(this.exercise(), this.choice.school()));

  /** What is noted of the person that is chosen, where this exercise goes beyond it, and how it stays. */
  protected readonly cares = computed(() => {
    const person = this.choice.person();
    const school = this.choice.school();
    const segment = newSegment('sheet', this.exercise(), school);
    return careFor({ segment, exercise: this.exercise(), school }, person, this.shelf()).map(
      ({ asks, instead, limit }) => `${limit.because} is noted of ${person.name}: ${instead} instead of ${asks}.`,
    );
  });

  /** What is in the parts that may be shut. */
  protected readonly gist = computed(() => {
    const it = this.exercise();
    const safety = it.checkpoints.filter((point) => point.safety).length;
    const named = (count: number, words: string): string[] => (count > 0 ? [counted(count, words)] : []);
    return {
      told: [...named(it.wayIn.length, 'step').map((words) => `${words} in`), ...named(it.phases.length, 'part')].join(
        ', ',
      ),
      points: `${it.checkpoints.length}${safety > 0 ? `, ${safety} for safety` : ''}`,
      stages: named(it.stages.length, 'stage').join(', '),
      signs: this.signs()
        .map(({ title }) => title.toLowerCase())
        .join(', '),
    };
  });

  protected keepAgainst(key: string): void {
    const school = this.choice.school();
    void this.store.write(`Ignore in ${school.name}`, [
      {
        table: 'schools',
        id: school.id,
        change: (stored) => ({ ...stored, keptOnPurpose: [...stored.keptOnPurpose, key] }),
        orElse: school,
      },
    ]);
  }

  protected percent(share: number): string {
    return percent(share);
  }
}
