import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink } from '@angular/router';

/** Three ways to begin, a made-up hall to look at first, and what comes then; what is done is marked. */
@Component({
  selector: 'pk-first-steps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  templateUrl: './first-steps.html',
  styleUrl: './first-steps.scss',
})
export class FirstSteps {
  readonly hasRoutine = input.required<boolean>();
  readonly hasStudent = input.required<boolean>();
  readonly hasClass = input.required<boolean>();
  readonly hasPlan = input.required<boolean>();
  readonly hasLog = input.required<boolean>();
}
