import { ChangeDetectionStrategy, Component, computed, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Select } from 'primeng/select';
import { builtInCondition, builtInSchools, conditions, type Condition } from '@pomek/core';
import { OneStop, OneStopItem } from '../ui/one-stop';

/** What each condition rules out, and what it does to each built-in exercise: to be checked by a licensed practitioner. */
@Component({
  selector: 'pk-condition-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, Select, OneStop, OneStopItem],
  template: `
    <section class="sheet stack" aria-labelledby="condition-table">
      <div class="row spread">
        <h2 id="condition-table">What conditions do, exercise by exercise</h2>
        <p-select
          [options]="schools"
          optionLabel="name"
          [ngModel]="school()"
          (ngModelChange)="school.set($event)"
          ariaLabel="School of the table"
          appendTo="body"
        />
      </div>
      <p>
        At the usual doses of this school, on the standard body. The limits are common practice in class and our own
        values; they are no diagnosis and no treatment. A licensed practitioner may say otherwise: then set your own
        limits for the student.
      </p>
      <div class="row" role="group" aria-label="Condition" pkOneStop>
        @for (condition of conditions; track condition) {
          <button
            type="button"
            class="pick"
            [pkOneStopItem]="chosen() === condition"
            [attr.aria-pressed]="chosen() === condition"
            (click)="chosen.set(condition)"
          >
            {{ condition }}
          </button>
        }
      </div>
      @let it = sheet();
      <p>{{ it.rule }}</p>
      <ul class="limits small">
        @for (limit of it.limits; track limit) {
          <li>{{ limit }}</li>
        }
      </ul>
      <div class="scroll-x" tabindex="0" role="region" [attr.aria-label]="'What ' + it.condition + ' does'">
        <table class="plain">
          <thead>
            <tr>
              <th scope="col">Exercise</th>
              <th scope="col">What goes too far</th>
              <th scope="col">Instead</th>
            </tr>
          </thead>
          <tbody>
            @for (row of it.acting; track row.exercise) {
              <tr>
                <th scope="row">{{ row.exercise }}</th>
                <td>{{ row.asks }}</td>
                <td>{{ row.instead }}</td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      <details>
        <summary>{{ it.silent.length }} exercises stay as they are, and why</summary>
        <ul class="silent small">
          @for (row of it.silent; track row.exercise) {
            <li>
              <strong>{{ row.exercise }}</strong> <span class="num">{{ row.within }}</span>
            </li>
          }
        </ul>
      </details>
    </section>
  `,
  styles: `
    .pick {
      border: 1px solid var(--pk-line);
      border-radius: 4px;
      background: none;
      color: inherit;
      font: inherit;
      padding: 0.3rem 0.6rem;
      min-height: 2.25rem;
      cursor: pointer;

      &[aria-pressed='true'] {
        background: var(--pk-pine-wash);
        border-color: var(--pk-pine);
        font-weight: 700;
      }

      @media (pointer: coarse) {
        min-height: 2.75rem;
      }
    }
    .limits {
      columns: 2 18rem;
      margin: 0;
    }
    .silent {
      columns: 2 24rem;
    }
    td,
    th[scope='row'] {
      vertical-align: top;
    }
  `,
})
export class ConditionTable {
  protected readonly conditions = conditions;
  protected readonly schools = [...builtInSchools];
  protected readonly school = signal(builtInSchools[0]!);
  protected readonly chosen = signal<Condition>(conditions[0]);
  protected readonly sheet = computed(() => {
    const { rows, ...sheet } = builtInCondition(this.chosen(), this.school());
    return {
      ...sheet,
      acting: rows
        .filter(({ acts }) => acts.length > 0)
        .map(({ exercise, acts }) => ({
          exercise,
          asks: acts.map(({ asks }) => asks).join('; '),
          instead: [...new Set(acts.map(({ instead }) => instead))].join('; '),
        })),
      silent: rows.filter(({ acts }) => acts.length === 0),
    };
  });
}
