import { ChangeDetectionStrategy, Component } from '@angular/core';
import { sources } from '@pomek/core';
import { ConditionTable } from './condition-table';

/** Each formula with its source and its limits, in plain words. */
@Component({
  selector: 'pk-sources',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ConditionTable],
  template: `
    <div class="page stack">
      <h1>Sources</h1>
      <p class="lead">
        Each formula, where it comes from and what it leaves out. “From memory” marks values written down without the
        paper at hand; “our own value” marks what we assume ourselves. Pomek counts and computes; it makes no medical
        claim.
      </p>
      @for (entry of sources; track entry.topic) {
        <section class="sheet" [attr.aria-label]="entry.topic">
          <h2>{{ entry.topic }}</h2>
          <p>{{ entry.what }}</p>
          <dl>
            <dt>Formula</dt>
            <dd class="num">{{ entry.formula }}</dd>
            <dt>Source</dt>
            <dd>{{ entry.source }}</dd>
            <dt>Limits</dt>
            <dd>{{ entry.limits }}</dd>
          </dl>
        </section>
        @if (entry.topic === 'What is noted of a body') {
          @defer {
            <pk-condition-table />
          } @placeholder {
            <p class="soft">What conditions do, exercise by exercise…</p>
          }
        }
      }
    </div>
  `,
  styles: `
    .page {
      max-width: 62rem;
    }
    .lead {
      max-width: 62ch;
    }
    dl {
      display: grid;
      grid-template-columns: 6rem 1fr;
      gap: 0.3rem 1rem;
      margin: 0.6rem 0 0;
    }
    dt {
      color: var(--pk-soft);
    }
    dd {
      margin: 0;
    }
  `,
})
export class SourcesPage {
  protected readonly sources = sources;
}
