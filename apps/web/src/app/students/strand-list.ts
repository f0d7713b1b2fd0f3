import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { axisLabels, goalWay, type Strand, type Verdict } from '@pomek/core';
import { VerdictMark } from '../ui/verdict-mark';
import { goalEnds } from './goal-ends';
import type { Forecast } from './strand-weeks';

/** The goals of a plan, a line each: where each stands, where it is to go, and whether it gets there; one is open. */
@Component({
  selector: 'pk-strand-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [VerdictMark],
  template: `
    <ul class="bare" aria-label="Goals of the plan">
      @for (row of rows(); track row.id) {
        <li>
          <button
            type="button"
            [class.here]="row.id === selected()"
            [attr.aria-pressed]="row.id === selected()"
            (click)="selected.set(row.id)"
          >
            <span class="name"
              >{{ row.name }} <span class="soft small">{{ row.grows }}</span></span
            >
            <span class="num">{{ row.way }}</span>
            <span class="num" [class.late]="row.late">{{ row.ends }}</span>
            @if (row.kind; as kind) {
              <pk-verdict [kind]="kind" />
            }
          </button>
        </li>
      }
    </ul>
  `,
  styles: `
    button {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 10.5rem 7rem 8.5rem;
      gap: 0.25rem 0.75rem;
      align-items: center;
      width: 100%;
      padding: 0.2rem 0.6rem;
      text-align: left;
      color: var(--pk-ink);
      background: none;
      border: 0;
      border-left: 3px solid var(--pk-line);
      cursor: pointer;
    }
    button:hover {
      border-left-color: var(--pk-amber);
    }
    .here {
      background: var(--pk-pine-wash);
      border-left-color: var(--pk-pine);
    }
    .here .name {
      font-weight: 600;
    }
    .late {
      color: var(--pk-doubt);
      font-weight: 600;
    }
    @media (width < 700px) {
      button {
        grid-template-columns: minmax(0, 1fr) max-content;
      }
    }
  `,
})
export class StrandList {
  readonly strands = input.required<readonly Strand[]>();
  readonly forecasts = input.required<ReadonlyMap<string, Forecast>>();
  readonly verdicts = input.required<ReadonlyMap<string, Verdict>>();
  /** The strand that is open, by id. */
  readonly selected = model.required<string>();

  protected readonly rows = computed(() =>
    this.strands().map((strand) => {
      const forecast = this.forecasts().get(strand.id);
      const { axis } = strand;
      return {
        id: strand.id,
        name: strand.exerciseName,
        grows: axisLabels[axis],
        way: goalWay(strand),
        ...goalEnds(strand, forecast),
        kind: this.verdicts().get(strand.id)?.kind,
      };
    }),
  );
}
