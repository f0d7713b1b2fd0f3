import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import { DayPipe } from '../ui/day.pipe';
import {
  figureName,
  figureSeen,
  figureValue,
  type ComparedFigure,
  type PointSeen,
  type StillReading,
} from '@pomek/core';

const signs: Record<PointSeen['verdict'], string> = {
  outside: 'pi-exclamation-triangle',
  'at the limit': 'pi-info-circle',
  within: 'pi-check',
  'cannot be judged': 'pi-minus',
};
const order: readonly PointSeen['verdict'][] = ['outside', 'at the limit', 'within', 'cannot be judged'];

/** What a still says: the checkpoints, worst first, and each figure with its error beside what is asked. */
@Component({
  selector: 'pk-still-answers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DayPipe],
  template: `
    @for (problem of reading().problems; track problem) {
      <p class="wrong" role="alert">{{ problem }}</p>
    }
    <section class="sheet" aria-label="Checkpoints">
      <h2>Checkpoints</h2>
      <ul class="bare points">
        @for (point of judged(); track point.checkpoint.id) {
          <li [class]="point.verdict.replaceAll(' ', '-')">
            <i [class]="'pi ' + signs[point.verdict]" aria-hidden="true"></i>
            <div>
              <strong>{{ point.checkpoint.region }}</strong>&ngsp;<span class="num">{{ point.said }}</span>
              <p class="small soft num why">{{ point.why }}</p>
            </div>
            @if (point.verdict === 'outside' || point.verdict === 'at the limit') {
              <p-button
                [label]="noted().has(point.checkpoint.id) ? 'Noted' : 'Note it'"
                [ariaLabel]="
                  (noted().has(point.checkpoint.id) ? 'Noted: ' : 'Note as a correction: ') + point.checkpoint.region
                "
                [disabled]="noted().has(point.checkpoint.id)"
                size="small"
                variant="outlined"
                (onClick)="note.emit(point)"
              />
            }
          </li>
        } @empty {
          <li>This exercise has no checkpoints.</li>
        }
      </ul>
      @if (felt().length > 0) {
        <details>
          <summary class="small">{{ felt().length }} checkpoints cannot be judged from this side</summary>
          <ul class="bare small felt">
            @for (point of felt(); track point.checkpoint.id) {
              <li>
                <strong>{{ point.checkpoint.region }}</strong>: {{ point.why }}
              </li>
            }
          </ul>
        </details>
      }
    </section>
    @if (reading().figures.length > 0) {
      <section class="sheet" aria-label="Figures">
        <table class="plain small">
          <thead>
            <tr>
              <th scope="col">Read off</th>
              <th scope="col">Seen</th>
              @if (compared() !== null) {
                <th scope="col">{{ besideDay() | pkDay }}</th>
              } @else if (asked()) {
                <th scope="col">Asked</th>
              }
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.key) {
              <tr>
                <th scope="row">{{ row.name }}</th>
                <td class="num">{{ row.seen }}</td>
                @if (compared() !== null) {
                  <td class="num">
                    {{ row.other }}
                    <div [class.clear]="row.clear" class="soft">{{ row.difference }}</div>
                  </td>
                } @else if (asked()) {
                  <td class="num">{{ row.asked }}</td>
                }
              </tr>
            }
          </tbody>
        </table>
        <p class="small soft">
          ± covers 19 of 20 cases: slips of the marks, the size, the plumb, the camera’s distance and a body turned a
          little. A picture shows neither pain nor effort.
        </p>
      </section>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.75rem;
    }
    .sheet {
      padding: 0.75rem 1rem;
    }
    h2 {
      margin-bottom: 0.25rem;
    }
    .points li {
      display: grid;
      grid-template-columns: 1.25rem minmax(0, 1fr) auto;
      gap: 0.25rem;
      align-items: start;
      padding: 0.2rem 0;
    }
    .points .pi {
      padding-top: 0.2rem;
    }
    .outside .pi,
    .outside strong {
      color: var(--pk-danger);
    }
    .at-the-limit .pi {
      color: var(--pk-doubt);
    }
    .within .pi {
      color: var(--pk-pine);
    }
    strong {
      display: inline-block;
      margin-right: 0.25rem;
    }
    strong::first-letter {
      text-transform: uppercase;
    }
    .felt {
      padding-top: 0.25rem;
    }
    .clear {
      color: var(--pk-ink);
      font-weight: 600;
    }
    table {
      width: 100%;
    }
    tbody th {
      white-space: nowrap;
      font-weight: 400;
      text-align: left;
    }
    .why::first-letter,
    tbody th::first-letter {
      text-transform: uppercase;
    }
  `,
})
export class StillAnswers {
  readonly reading = input.required<StillReading>();
  /** Checkpoints that are noted already, by id. */
  readonly noted = input.required<ReadonlySet<string>>();
  /** Something is asked, to stand beside what is seen. */
  readonly asked = input.required<boolean>();
  /** The same figures on another still, and its day; null where none stands beside. */
  readonly compared = input<readonly ComparedFigure[] | null>(null);
  readonly besideDay = input('');
  readonly note = output<PointSeen>();

  protected readonly signs = signs;
  private readonly sorted = computed(() =>
    this.reading().points.toSorted((a, b) => order.indexOf(a.verdict) - order.indexOf(b.verdict)),
  );
  /** What is judged, or could be with another mark. */
  protected readonly judged = computed(() => this.sorted().filter(({ shown }) => shown));
  protected readonly felt = computed(() => this.sorted().filter(({ shown }) => !shown));
  protected readonly rows = computed(() => {
    const compared = this.compared() ?? [];
    return this.reading().figures.map((figure) => {
      const beside = compared.find((entry) => entry.figure === figure);
      return {
        key: `${figure.id} ${figure.side}`,
        name: figureName(figure),
        seen: figureSeen(figure),
        asked: figure.asked === null ? '' : figureValue(figure, figure.asked),
        other: beside === undefined ? '' : figureSeen(beside.other),
        difference: beside?.said ?? '',
        clear: beside?.clear === true,
      };
    });
  });
}
