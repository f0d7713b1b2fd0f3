import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { changedWords, practisedRoutine } from '@pomek/core';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
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
  protected readonly busy = signal(false);

  protected async make(version: 'student' | 'teacher'): Promise<void> {
    const routine = this.bench.routine();
    if (routine === null || routine === undefined) return;
    this.busy.set(true);
    try {
      const { handout } = await import('../print/handout');
      const { student, body } = this.bench.choice.person();
      const measures = this.bench.choice.measures();
      // The doses of the routine, with what is noted of the body taken care of.
      const { routine: cared, changed } = practisedRoutine(
        routine,
        null,
        student,
        measures,
        this.bench.shelf(),
        this.bench.school(),
        this.clock.today(),
        new Set(),
        this.bench.choice.logs(),
      );
      const file = await handout({
        routine: cared,
        exercises: this.bench.shelf(),
        school: this.bench.school(),
        body,
        name: student?.name ?? '',
        cautions: [...changed.map(changedWords), ...(student?.cautions ?? [])],
        findings: this.bench.findings(),
        version,
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
