import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { AnswerRow } from './answer-rows';

/** Questions and answers about a posture; with a second list, two postures side by side. */
@Component({
  selector: 'pk-answers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dl>
      @for (row of rows(); track row.question) {
        <div [class]="row.grade">
          <dt class="small soft">
            {{ row.question }}
            @if (row.tinted === true) {
              <span class="tint" title="Tinted on the figure"></span>
            }
          </dt>
          <dd>
            <strong>{{ row.answer }}</strong>
            @if (row.note !== '') {
              <span class="small soft note">{{ row.note }}</span>
            }
          </dd>
        </div>
      }
    </dl>
  `,
  styles: `
    dl {
      display: grid;
      gap: 0.6rem;
      margin: 0;
    }
    div {
      border-left: 4px solid var(--pk-line);
      padding: 0.1rem 0 0.1rem 0.75rem;
    }
    .doubt {
      border-left-color: var(--pk-doubt);
    }
    .danger {
      border-left-color: var(--pk-danger);
    }
    .danger strong {
      color: var(--pk-danger);
    }
    dd {
      margin: 0;
    }
    strong {
      font-weight: 600;
    }
    .note {
      display: block;
    }
    .tint {
      display: inline-block;
      width: 0.9em;
      height: 0.9em;
      vertical-align: -0.1em;
      border-radius: 2px;
      background: var(--pk-tiring);
    }
  `,
})
export class AnswersView {
  readonly rows = input.required<readonly AnswerRow[]>();
}
