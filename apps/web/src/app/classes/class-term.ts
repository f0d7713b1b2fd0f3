import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { durationWords, piecesMissed, termOf, type Meeting, type TaughtClass } from '@pomek/core';
import { Everybody } from '../data/everybody';
import { Notices } from '../data/notices';
import { Store } from '../data/store';
import { DayPipe } from '../ui/day.pipe';
import { Empty } from '../ui/empty';

/** What was held, who missed it, and which pieces somebody has still not seen. */
@Component({
  selector: 'pk-class-term',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DayPipe, Empty, RouterLink],
  template: `
    @if (rows().length === 0) {
      <pk-empty
        heading="Nothing was held yet"
        text="Each meeting is listed here: what was practised, who came, who missed which piece, and who was corrected."
      />
    } @else {
      <div class="two">
        <section class="sheet scroll-x" tabindex="0" aria-label="What was held">
          <table class="plain">
            <thead>
              <tr>
                <th scope="col">Day</th>
                <th scope="col">Practised</th>
                <th scope="col">There</th>
                <th scope="col">Missed by</th>
                <th scope="col">Corrected</th>
                <th scope="col"><span class="hidden-text">Remove</span></th>
              </tr>
            </thead>
            <tbody>
              @for (row of rows(); track row.meeting.id) {
                <tr>
                  <td class="num one">{{ row.meeting.day | pkDay }}</td>
                  <td>
                    {{ row.what }} <span class="small soft num">{{ row.length }}</span>
                    @if (row.meeting.note !== '') {
                      <p class="small soft">{{ row.meeting.note }}</p>
                    }
                  </td>
                  <td class="num">{{ row.meeting.present.length }}</td>
                  <td>{{ row.missed }}</td>
                  <td class="small">{{ row.corrected }}</td>
                  <td>
                    <p-button
                      icon="pi pi-trash"
                      variant="text"
                      size="small"
                      [ariaLabel]="'Remove the meeting of ' + (row.meeting.day | pkDay)"
                      (onClick)="remove(row.meeting)"
                    />
                  </td>
                </tr>
              }
            </tbody>
          </table>
        </section>
        @if (missing().length > 0) {
          <section class="sheet stack" aria-labelledby="missing-heading">
            <h2 id="missing-heading">Pieces still to be shown</h2>
            <ul class="bare">
              @for (one of missing(); track one.id) {
                <li>
                  <a [routerLink]="['/students', one.id]">{{ one.name }}</a>: {{ one.pieces }}
                </li>
              }
            </ul>
          </section>
        }
      </div>
    }
  `,
  styles: `
    .two {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 20rem);
      gap: 1rem;
      align-items: start;
    }
    .two > :only-child {
      grid-column: 1 / -1;
    }
    .one {
      white-space: nowrap;
    }
    li {
      padding: 0.2rem 0;
    }
    @media (width < 1000px) {
      .two {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class ClassTerm {
  private readonly store = inject(Store);
  private readonly notices = inject(Notices);
  private readonly everybody = inject(Everybody);
  readonly taught = input.required<TaughtClass>();
  readonly meetings = input.required<readonly Meeting[]>();

  private readonly names = computed(
    () => new Map((this.everybody.students() ?? []).map(({ id, name }) => [id, name] as const)),
  );
  protected readonly rows = computed(() =>
    termOf(this.meetings(), this.taught().roster).map(({ meeting, lesson, missed }) => ({
      meeting,
      what:
        lesson === null
          ? meeting.routineName
          : `Lesson ${lesson.number}: ${lesson.teaches ?? 'nothing new, what there is was joined'}`,
      length: durationWords(Math.round(meeting.practisedSeconds)),
      missed: this.called(missed),
      corrected: this.called(meeting.corrected),
    })),
  );
  protected readonly missing = computed(() =>
    this.taught().roster.flatMap((id) => {
      const name = this.names().get(id);
      const pieces = piecesMissed(this.meetings(), id);
      return name === undefined || pieces.length === 0 ? [] : [{ id, name, pieces: pieces.join(', ') }];
    }),
  );

  /** The logs of those who were there stay. */
  protected async remove({ id, day }: Meeting): Promise<void> {
    await this.store.write('Remove a meeting', [{ table: 'meetings', remove: id }]);
    this.notices.done(`The meeting of ${day} is removed`, { detail: 'What each person practised stays.', undo: true });
  }

  private called(ids: readonly string[]): string {
    return ids.flatMap((id) => this.names().get(id) ?? []).join(', ');
  }
}
