import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';

/** The way through the first whole job, with what is done marked. */
@Component({
  selector: 'pk-first-steps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <section class="sheet" aria-labelledby="first-steps">
      <h2 id="first-steps">To begin with</h2>
      <ol>
        @for (step of steps(); track step.name) {
          <li [class.done]="step.done">
            <a [routerLink]="step.path">{{ step.name }}</a>
            <span class="soft">{{ step.done ? 'done' : step.text }}</span>
          </li>
        }
      </ol>
      <p class="small soft">Everything stays in this browser. Under Files it goes out to a file and comes back.</p>
    </section>
  `,
  styles: `
    ol {
      margin: 0.5rem 0 1rem;
      padding-left: 1.4rem;
    }
    li {
      padding: 0.35rem 0;
      max-width: 62ch;
    }
    a {
      font-weight: 600;
      margin-right: 0.5rem;
    }
    .done a {
      text-decoration: line-through;
      font-weight: 400;
    }
  `,
})
export class FirstSteps {
  readonly hasRoutine = input.required<boolean>();
  readonly hasStudent = input.required<boolean>();
  readonly hasPlan = input.required<boolean>();
  readonly hasLog = input.required<boolean>();

  protected readonly steps = computed(() => [
    {
      path: '/routines',
      name: 'Build a routine',
      text: 'take exercises from the shelf and set their doses',
      done: this.hasRoutine(),
    },
    {
      path: '/students',
      name: 'Add a student',
      text: 'with the days for practice and the cautions',
      done: this.hasStudent(),
    },
    {
      path: '/students',
      name: 'Give the routine',
      text: 'in the student’s file: what is to grow, and by when',
      done: this.hasPlan(),
    },
    { path: '/practise', name: 'Practise it', text: 'Pomek conducts, you watch', done: this.hasLog() },
  ]);
}
