import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { doseWords, durationWords, rounds, type Exercise } from '@pomek/core';
import { postureFacts } from './posture-facts';

/** One exercise to read: what it is, how it is dosed, what to look at, how it gets easier and harder. */
@Component({
  selector: 'pk-exercise-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, ButtonDirective, RouterLink],
  templateUrl: './exercise-sheet.html',
  styleUrl: './exercise-sheet.scss',
})
export class ExerciseSheet {
  readonly exercise = input.required<Exercise>();
  readonly copied = output();
  readonly removed = output();

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
  protected readonly breathWords = { in: 'breath in', out: 'breath out', free: 'breath free' } as const;

  protected percent(share: number): string {
    return `${Math.round(share * 100)} %`;
  }
}
