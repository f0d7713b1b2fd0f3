import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { changedWords, dayNumber, lockedStrands, pointsInWork, practisedRoutine } from '@pomek/core';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { Repository, schoolOf } from '../data/repository';
import { readDay } from '../ui/day-words';
import { download, fileName } from '../ui/download';
import { Workbench } from './workbench';

/** Makes the printed handout: for the student, or for the teacher. */
@Component({
  selector: 'pk-handout',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    <p-button
      icon="pi pi-print"
      label="Handout"
      variant="outlined"
      [loading]="busy()"
      title="One page or more on A4, with figures and tick boxes"
      (onClick)="make('student')"
    />
    <p-button label="Teacher’s" variant="text" [disabled]="busy()" (onClick)="make('teacher')" />
  `,
  styles: `
    :host {
      display: flex;
    }
  `,
})
export class HandoutButton {
  private readonly bench = inject(Workbench);
  private readonly notices = inject(Notices);
  private readonly clock = inject(Clock);
  private readonly repository = inject(Repository);
  protected readonly busy = signal(false);

  protected async make(version: 'student' | 'teacher'): Promise<void> {
    const routine = this.bench.routine();
    if (routine === null || routine === undefined) return;
    this.busy.set(true);
    try {
      const [{ handout }, plans, corrections] = await Promise.all([
        import('../print/handout'),
        this.repository.read('plans'),
        this.repository.read('corrections'),
      ]);
      const { student, body } = this.bench.choice.person();
      const [today, logs, shelf] = [this.clock.today(), this.bench.choice.logs(), this.bench.shelf()];
      const plan = plans.find(({ studentId, routineId }) => studentId === student?.id && routineId === routine.id);
      // As in the hall: the student's school, else the routine's.
      const school = schoolOf(this.bench.schools(), student?.schoolId ?? routine.schoolId);
      // What is practised today, as in the hall: the plan's doses, with what is noted of the body taken care of.
      const locked = plan === undefined ? [] : lockedStrands(plan, logs, school.raise, shelf);
      const { routine: practised, changed } = practisedRoutine(
        routine,
        plan ?? null,
        student,
        this.bench.choice.measures(),
        shelf,
        school,
        today,
        new Set(locked.map(({ segmentId }) => segmentId)),
        logs,
      );
      const own = corrections.filter(({ studentId }) => studentId === student?.id);
      const seen = own.map(({ checkpointId }) => checkpointId);
      const inWork = pointsInWork(own, seen, today);
      const file = await handout({
        routine: practised,
        exercises: shelf,
        school,
        body,
        name: student?.name ?? '',
        cautions: [...changed.map(changedWords), ...(student?.cautions ?? [])],
        findings: this.bench.findings(),
        version,
        corrected: new Set(inWork.map(({ checkpointId }) => checkpointId)),
        turn: Math.floor(dayNumber(today) / 7),
        dosesOf: plan === undefined ? '' : `the plan on ${readDay(today)}`,
      });
      download(`${fileName(`${routine.name} ${version}`)}.pdf`, file, 'application/pdf');
      this.notices.done('The handout is in your downloads');
    } catch (error) {
      this.notices.failure('The handout could not be made', error);
    } finally {
      this.busy.set(false);
    }
  }
}
