import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import * as z from 'zod';
import {
  allCheckpoints,
  bodyOfStudent,
  builtInExercises,
  catalogued,
  correctionCounts,
  correctionQueue,
  newCorrection,
  spokenCheckpoint,
  spokenExercise,
  stillPose,
  type FigurePose,
  type Correction,
  type Exercise,
  type School,
  type Still,
  type Student,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { keptDraft } from '../data/kept-draft';
import { Notices } from '../data/notices';
import { Store } from '../data/store';
import { DayPipe } from '../ui/day.pipe';
import { BodyInSpace } from '../space/body-in-space';
import type { Pin } from '../ui/figure';
import { StillPicture } from '../ui/still-picture';
import { TextField } from '../ui/text-field';
import { CountedPipe } from '../ui/counted.pipe';
import { RowKeys } from '../ui/row-keys';

const general = allCheckpoints();
const NotedSchema = z.object({ chosen: z.string().nullable(), cue: z.string() });
const nothing: z.infer<typeof NotedSchema> = { chosen: null, cue: '' };
const stand = builtInExercises.find((exercise) => exercise.id === 'tree-holding')!;

/** What was corrected, on the body where it was seen; what to work on now; what helped. */
@Component({
  selector: 'pk-corrections',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BodyInSpace,
    Button,
    CountedPipe,
    DayPipe,
    FormsModule,
    InputText,
    RouterLink,
    Select,
    StillPicture,
    TextField,
    RowKeys,
  ],
  template: `
    <div class="stack">
      <h2>Corrections</h2>
      <div class="map">
        <pk-body-in-space
          [pose]="pose()"
          [flat]="flat()"
          view="side"
          text="Where corrections were seen lately."
          [pins]="pins()"
          [selected]="chosen()"
          (pinPressed)="pick($event)"
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
                seen {{ entry.count | pkCounted: 'time' }} lately.
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
                [options]="choices()"
                [filter]="true"
                [panelStyle]="{ width: '34rem', maxWidth: '90vw' }"
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
                [pkText]="draft.value().cue"
                (pkTextChange)="draft.set({ cue: $event })"
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
          <tbody pkRowKeys>
            @for (entry of history(); track entry.id) {
              <tr>
                <td class="num">{{ entry.day | pkDay }}</td>
                <td>
                  {{ entry.region }}
                  @if (stillOf(entry); as still) {
                    <a class="shot" [routerLink]="['/students', student().id, 'film', still.id]"
                      ><pk-still [still]="still"
                    /></a>
                  }
                </td>
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
                    [ariaLabel]="'Remove the correction of ' + (entry.day | pkDay)"
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
      grid-template-columns: minmax(16rem, 0.6fr) minmax(0, 1fr);
      gap: 1.25rem;
    }
    pk-body-in-space {
      height: min(32rem, 66vh);
      min-height: 22rem;
      background: var(--pk-sunk);
      border-radius: 4px;
    }
    .top {
      align-items: flex-end;
    }
    .cue {
      flex: 1 1 12rem;
    }
    .shot {
      display: block;
      width: 4rem;
      height: 5.3rem;
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
  /** What is practised: its own checkpoints can be noted too. */
  readonly drills = input<readonly Exercise[]>([]);
  readonly stills = input<readonly Still[]>([]);

  /** What is being noted: it outlives leaving. */
  protected readonly draft = keptDraft(() => `correction ${this.student().id}`, NotedSchema, nothing);
  protected readonly chosen = computed(() => this.draft.value().chosen);
  /** The general points and those of what is practised, in the words of the school. */
  private readonly points = computed(() => [
    ...general.map((point) => ({ of: '', point: spokenCheckpoint(point, point, this.school()) })),
    ...this.drills().flatMap((drill) =>
      spokenExercise(drill, this.school(), 'both')
        .checkpoints.filter(({ id }) => catalogued(id) === undefined)
        .map((point) => ({ of: drill.name, point })),
    ),
  ]);
  protected readonly choices = computed(() =>
    this.points().map(({ of, point }) => ({
      label: `${of === '' ? '' : `${of} – `}${point.region}: ${point.wanted}`,
      value: point.id,
    })),
  );
  protected readonly pose = computed(() => this.posed(false));
  /** From the side an outline is drawn square to the working foot. */
  protected readonly flat = computed(() => this.posed(true));
  private posed(square: boolean): FigurePose {
    return stillPose(bodyOfStudent(this.student()).body, stand.posture, this.school(), 'right', square);
  }
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

  /** The still on which it was seen. */
  protected stillOf({ stillId }: Correction): Still | undefined {
    return stillId === null ? undefined : this.stills().find(({ id }) => id === stillId);
  }

  protected cueOf(id: string): string {
    return this.points().find(({ point }) => point.id === id)?.point.cue ?? '';
  }

  protected pick(id: string): void {
    this.draft.set({ chosen: id, cue: this.cueOf(id) });
  }

  protected async note(): Promise<void> {
    const point = this.points().find((entry) => entry.point.id === this.chosen())?.point;
    if (point === undefined) return;
    const made = newCorrection(this.clock.newId(), this.student().id, point, this.clock.today());
    const written = this.draft.value().cue.trim();
    const cue = written === '' ? this.cueOf(point.id) : written;
    const meaning = ['correction', made.studentId, point.id, cue];
    await this.store.writeOnce(
      `Correction: ${point.region}`,
      [{ table: 'corrections', add: { ...made, cue } }],
      meaning,
    );
    this.draft.clear();
  }

  protected helped(entry: Correction, helped: boolean): void {
    const change = (stored: Correction): Correction => ({
      ...stored,
      helped: stored.helped === helped ? null : helped,
    });
    void this.store
      .write('Whether a cue helped', [{ table: 'corrections', id: entry.id, change }])
      .catch(() => undefined);
  }

  protected async remove(entry: Correction): Promise<void> {
    await this.store.write('Remove a correction', [{ table: 'corrections', remove: entry.id }]);
    this.notices.done('Correction removed', { undo: true });
  }
}
