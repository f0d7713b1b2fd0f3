import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { firstValueFrom, of, switchMap } from 'rxjs';
import {
  changedWords,
  dayNumber,
  filmFromWords,
  pointsInWork,
  practisedRoutine,
  readStill,
  seenInWork,
  stillTerms,
  type Correction,
  type CorrectionCount,
  type School,
  type SeenInWork,
  type Student,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { schoolOf } from '../data/gathered';
import { Repository } from '../data/repository';
import type { SeenPrinted } from '../print/handout';
import { BodyForms } from '../space/body-forms';
import { bodyPictures } from '../space/body-pictures';
import { readDay } from '../ui/day-words';
import { download, fileName } from '../ui/download';
import { Workbench } from './workbench';

/** Makes the printed handout: for the student, or for the teacher. */
@Component({
  selector: 'pk-handout',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, FormsModule],
  template: `
    <p-button
      icon="pi pi-print"
      label="Handout"
      variant="outlined"
      [loading]="busy()"
      [disabled]="reading()"
      title="One page or more on A4, with figures and tick boxes"
      (onClick)="make('student')"
    />
    <p-button label="Teacher’s" variant="text" [disabled]="busy() || reading()" (onClick)="make('teacher')" />
    @if (filmed()) {
      <label class="row small">
        <p-checkbox
          [binary]="true"
          [ngModel]="pictures()"
          (ngModelChange)="pictures.set($event)"
          ariaLabel="With what was seen on film"
        />
        with pictures
      </label>
    }
  `,
  styles: `
    :host {
      display: flex;
    }
    .row {
      align-items: center;
      gap: 0.4rem;
      flex-wrap: nowrap;
    }
  `,
})
export class HandoutButton {
  private readonly bench = inject(Workbench);
  private readonly forms = inject(BodyForms);
  private readonly notices = inject(Notices);
  private readonly clock = inject(Clock);
  private readonly repository = inject(Repository);
  protected readonly busy = signal(false);
  private readonly student = computed(() => this.bench.choice.person().student);
  private readonly corrections = computed(() => this.bench.choice.record()?.corrections ?? []);
  /** Somebody is chosen, and not read yet. */
  protected readonly reading = computed(() => this.bench.choice.record() === undefined);
  private readonly stills = toSignal(
    toObservable(this.student).pipe(
      switchMap((student) => (student == null ? of([]) : this.repository.stillsOf(student.id))),
    ),
    { initialValue: [] },
  );
  protected readonly filmed = computed(() => {
    const own = this.corrections();
    return seenInWork(own, this.inWork(own), this.stills(), () => []).length > 0;
  });
  /** A picture of somebody goes on paper only where that is wanted. */
  protected readonly pictures = signal(false);

  protected async make(version: 'student' | 'teacher'): Promise<void> {
    const routine = this.bench.routine();
    if (routine === null || routine === undefined) return;
    this.busy.set(true);
    let drawn: Awaited<ReturnType<typeof bodyPictures>> = null;
    try {
      const { handout } = await import('../print/handout');
      const { PICTURE_PX } = await import('../print/handout-figure');
      const { choice } = this.bench;
      const [record, shelf, today] = [choice.record() ?? null, this.bench.shelf(), this.clock.today()];
      const { student, body } = choice.person();
      const own = this.corrections();
      // As in the hall: the student's school, else the routine's.
      const school = record?.school ?? schoolOf(this.bench.schools(), routine.schoolId);
      // What is practised today, as in the hall: the plan's doses, with what is noted of the body taken care of.
      const { routine: practised, changed } =
        record === null ? { routine, changed: [] } : practisedRoutine(routine, record);
      const planned = record?.plans.some(({ routineId }) => routineId === routine.id) === true;
      drawn = await bodyPictures(this.forms.of(body), PICTURE_PX);
      const file = await handout({
        routine: practised,
        exercises: shelf,
        school,
        body,
        name: student?.name ?? '',
        cautions: [...changed.map(changedWords), ...(student?.cautions ?? [])],
        findings: this.bench.findings(),
        version,
        draw: drawn?.draw ?? null,
        corrected: new Set(this.inWork(own).map(({ checkpointId }) => checkpointId)),
        turn: Math.floor(dayNumber(today) / 7),
        seen: student == null || !this.pictures() ? [] : await this.seen(student, school, own),
        dosesOf: planned ? `the plan on ${readDay(today)}` : '',
      });
      download(`${fileName(`${routine.name} ${version}`)}.pdf`, file, 'application/pdf');
      this.notices.done('The handout is in your downloads');
    } catch (error) {
      this.notices.failure('The handout could not be made', error);
    } finally {
      drawn?.end();
      this.busy.set(false);
    }
  }

  private inWork(own: readonly Correction[]): CorrectionCount[] {
    return pointsInWork(
      own,
      own.map(({ checkpointId }) => checkpointId),
      this.clock.today(),
    );
  }

  /** The pictures of what is being worked on, with what they show. */
  private async seen(student: Student, school: School, own: readonly Correction[]): Promise<SeenPrinted[]> {
    const shelf = this.bench.shelf();
    const stills = await firstValueFrom(this.repository.stillsOf(student.id));
    const found = seenInWork(own, this.inWork(own), stills, (still) => {
      const exercise = still.exerciseId === null ? null : (shelf.get(still.exerciseId) ?? null);
      return readStill(still, stillTerms(still, student, exercise, school)).points;
    });
    const printed = await Promise.all(found.map((one) => this.printed(one)));
    return printed.filter((one) => one !== null);
  }

  /** Null where the picture itself is not on this machine. */
  private async printed({ still, lines }: SeenInWork): Promise<SeenPrinted | null> {
    const picture = await firstValueFrom(this.repository.one('pictures', still.id));
    if (picture === null) return null;
    const { stillImage } = await import('../print/still-image');
    const { exerciseId, day, from } = still;
    const drill = exerciseId === null ? undefined : this.bench.shelf().get(exerciseId)?.name;
    const title = `Seen on film on ${readDay(day)}, ${filmFromWords(from)}${drill === undefined ? '' : `: ${drill}`}`;
    return { exerciseId, image: await stillImage(picture.data, still), title, lines };
  }
}
