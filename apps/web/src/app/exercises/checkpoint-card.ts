import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Checkpoint } from '@pomek/core';

/** One checkpoint to read: wanted, test, faults, cue. */
@Component({
  selector: 'pk-checkpoint-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let it = point();
    <article [attr.aria-live]="quiet() ? null : 'polite'" [class.danger]="it.safety">
      <h3>
        {{ it.region }}
        @if (it.safety) {
          <span class="small">safety point</span>
        }
      </h3>
      <p class="cue">{{ it.cue }}</p>
      <dl>
        <dt class="small soft">Wanted</dt>
        <dd>{{ it.wanted }}</dd>
        <dt class="small soft">Test</dt>
        <dd>{{ it.test }}</dd>
        <dt class="small soft">Faults</dt>
        <dd>{{ it.faults }}</dd>
      </dl>
    </article>
  `,
  styles: `
    article {
      border-left: 4px solid var(--pk-pine);
      padding-left: 0.75rem;
    }
    .danger {
      border-left-color: var(--pk-danger);
    }
    h3::first-letter {
      text-transform: uppercase;
    }
    h3 span {
      color: var(--pk-danger);
      font-family: var(--pk-text);
      font-weight: 400;
    }
    .cue {
      font-style: italic;
      margin: 0.25rem 0;
    }
    dl {
      display: grid;
      grid-template-columns: 4.5rem 1fr;
      gap: 0.15rem 0.5rem;
      margin: 0;
    }
    dd {
      margin: 0;
    }
  `,
})
export class CheckpointCard {
  readonly point = input.required<Checkpoint>();
  /** One of a list that stands: nothing is announced. */
  readonly quiet = input(false);
}
