import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import {
  allCheckpoints,
  bodyOfStudent,
  builtInExercises,
  correctionCounts,
  correctionQueue,
  figurePose,
  newCorrection,
  settlePosture,
  spokenCheckpoint,
  stillMoment,
  type Correction,
  type School,
  type Student,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { Store } from '../data/store';
import { Figure, type Pin } from '../ui/figure';

const points = allCheckpoints();
const stand = builtInExercises.find((exercise) => exercise.id === 'tree-holding')!;

/** What was corrected, on the body where it was seen; what to work on now; what helped. */
@Component({
  selector: 'pk-corrections',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Figure, FormsModule, InputText, Select],
  template: `
    <div class="stack">
      <h2>Corrections</h2>
      <div class="map">
        <pk-figure
          [pose]="pose()"
          view="side"
          [pxPerMetre]="170"
          text="Where corrections were seen lately"
          [pins]="pins()"
          [selected]="chosen()"
          (pinPressed)="chosen.set($event)"
        />
        <div class="stack">
          <section aria-label="To work on now">
            <h3>To work on now</h3>
            @for (entry of queue(); track entry.checkpointId) {
              <p>
                <strong>{{ entry.region }}</strong>&ngsp;
                @if (entry.safety) {
                  <span class="small danger">safety point</span>
                }
                seen {{ entry.count }} {{ entry.count === 1 ? 'time' : 'times' }} lately.
                {{ cueOf(entry.checkpointId) }}
                @if (entry.helped[0]; as cue) {
                  <span class="small soft">Helped before: “{{ cue }}”</span>
                }
              </p>
            } @empty {
              <p class="soft">Nothing was noted in the last six weeks.</p>
            }
            <p class="small soft">One or two at a time: what can hurt first, then from the ground up.</p>
          </section>
          <div class="row top">
            <div class="field">
              <span class="label">Checkpoint</span>
              <p-select
                [options]="choices"
                optionLabel="label"
                optionValue="value"
                [ngModel]="chosen()"
                (ngModelChange)="pick($event)"
                placeholder="Choose one"
                ariaLabel="Checkpoint that was seen"
                appendTo="body"
              />
            </div>
            <div class="field cue">
              <label for="correction-cue">Cue given</label>
              <input
                pInputText
                id="correction-cue"
                [ngModel]="cue()"
                (ngModelChange)="cue.set($event)"
                maxlength="300"
              />
            </div>
            <p-button label="Note it" [disabled]="chosen() === null" (onClick)="note()" />
          </div>
        </div>
      </div>
      @if (history().length > 0) {
        <table class="plain small">
          <thead>
            <tr>
              <th scope="col">Day</th>
              <th scope="col">Where</th>
              <th scope="col">Cue</th>
              <th scope="col">Did it help?</th>
            </tr>
          </thead>
          <tbody>
            @for (entry of history(); track entry.id) {
              <tr>
                <td class="num">{{ entry.day }}</td>
                <td>{{ entry.region }}</td>
                <td>{{ entry.cue }}</td>
                <td>
                  <p-button
                    label="Yes"
                    size="small"
                    [variant]="entry.helped === true ? undefined : 'text'"
                    (onClick)="helped(entry, true)"
                  />
                  <p-button
                    label="No"
                    size="small"
                    [variant]="entry.helped === false ? undefined : 'text'"
                    (onClick)="helped(entry, false)"
                  />
                  <p-button
                    icon="pi pi-trash"
                    size="small"
                    variant="text"
                    [ariaLabel]="'Remove the correction of ' + entry.day"
                    (onClick)="remove(entry)"
                  />
                </td>
              </tr>
            }
          </tbody>
        </table>
      }
    </div>
  `,
  styles: `
    .map {
      display: grid;
      grid-template-columns: auto minmax(0, 1fr);
      gap: 1.25rem;
    }
    .top {
      align-items: flex-end;
    }
    .cue {
      flex: 1 1 12rem;
    }
    .danger {
      color: var(--pk-danger);
    }
    @media (width < 900px) {
      .map {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class CorrectionsMap {
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  readonly student = input.required<Student>();
  readonly school = input.required<School>();
  readonly corrections = input.required<readonly Correction[]>();

  protected readonly chosen = signal<string | null>(null);
  protected readonly cue = signal('');
  protected readonly choices = points.map((point) => ({ label: `${point.region}: ${point.wanted}`, value: point.id }));
  protected readonly pose = computed(() => {
    const settled = settlePosture(stand.posture, this.school());
    return figurePose(bodyOfStudent(this.student()).body, settled, stillMoment(stand), 'right', true);
  });
  private readonly counts = computed(() => correctionCounts(this.corrections(), this.clock.today()));
  protected readonly queue = computed(() => correctionQueue(this.corrections(), this.clock.today()));
  protected readonly pins = computed(() =>
    this.counts().map((entry): Pin => ({
      id: entry.checkpointId,
      region: entry.region,
      safety: entry.safety,
      label: `${entry.region}, seen ${entry.count} times lately`,
      count: entry.count,
    })),
  );
  protected readonly history = computed(() =>
    this.corrections()
      .toSorted((a, b) => b.day.localeCompare(a.day))
      .slice(0, 20),
  );

  protected cueOf(id: string): string {
    const point = points.find((entry) => entry.id === id);
    return point === undefined ? '' : spokenCheckpoint(point, point, this.school()).cue;
  }

  protected pick(id: string): void {
    this.chosen.set(id);
    this.cue.set(this.cueOf(id));
  }

  protected async note(): Promise<void> {
    const point = points.find((entry) => entry.id === this.chosen());
    if (point === undefined) return;
    const made = newCorrection(this.clock.newId(), this.student().id, point, this.clock.today());
    const cue = this.cue().trim() === '' ? this.cueOf(point.id) : this.cue().trim();
    await this.store.write(`Correction: ${point.region}`, [{ table: 'corrections', put: { ...made, cue } }]);
    this.chosen.set(null);
    this.cue.set('');
  }

  protected helped(entry: Correction, helped: boolean): void {
    const value = entry.helped === helped ? null : helped;
    void this.store.write('Whether a cue helped', [{ table: 'corrections', put: { ...entry, helped: value } }]);
  }

  protected async remove(entry: Correction): Promise<void> {
    await this.store.write('Remove a correction', [{ table: 'corrections', remove: entry.id }]);
    this.notices.done('Correction removed', { undo: true });
  }
}
