import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { measuresOf, scaleTargets, shareFromScales, type Exercise } from '@pomek/core';
import { Clock } from '../data/clock';
import { Store } from '../data/store';
import { DayPipe } from '../ui/day.pipe';
import { NumberField } from '../ui/number-field';
import { PersonChoice } from '../data/person-choice';

/** How near to the wanted share is near enough. House value. */
const NEAR = 0.03;

/** The drill on two bathroom scales: what they should show, what they do show, and how far off that is. */
@Component({
  selector: 'pk-scales-drill',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DayPipe, NumberField],
  templateUrl: './scales-drill.html',
  styleUrl: './scales-drill.scss',
})
export class ScalesDrill {
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  protected readonly choice = inject(PersonChoice);
  readonly exercise = input.required<Exercise>();
  readonly share = input.required<number>();
  readonly working = input.required<'left' | 'right'>();

  protected readonly wanted = linkedSignal(() => Math.round(this.share() * 100));
  protected readonly left = signal<number | null>(null);
  protected readonly right = signal<number | null>(null);
  private readonly mass = computed(() => this.choice.person().body.mass);
  protected readonly wantedLeft = computed(() =>
    this.working() === 'left' ? this.wanted() / 100 : 1 - this.wanted() / 100,
  );
  protected readonly targets = computed(() => {
    // With both readings the weight is known; before, it is the one in the file.
    const read = (this.left() ?? 0) + (this.right() ?? 0);
    const mass = this.left() !== null && this.right() !== null && read >= 20 && read <= 300 ? read : this.mass();
    const { first, second } = scaleTargets(mass, this.wantedLeft());
    const near = NEAR * mass;
    return { left: first, right: second, near };
  });
  protected readonly found = computed(() => {
    const [left, right] = [this.left(), this.right()];
    if (left === null || right === null || left + right < 1 || left + right > 400) return null;
    const { share, error } = shareFromScales(left, right, this.wantedLeft());
    const points = Math.round(Math.abs(error) * 100);
    const side = error > 0 ? 'left' : 'right';
    return {
      share: `${Math.round(share * 100)} / ${Math.round((1 - share) * 100)}`,
      near: Math.abs(error) <= NEAR,
      words:
        Math.abs(error) <= NEAR
          ? 'Near enough: within three points of what was wanted.'
          : `${points} points too much on the ${side} foot. Let the weight pour across without leaning.`,
    };
  });
  protected readonly before = computed(() =>
    measuresOf(this.choice.record()?.measures ?? [], 'two scales')
      .slice(0, 5)
      .map((measure) => {
        const { share, error } = shareFromScales(measure.leftKg, measure.rightKg, measure.wantedLeft);
        return {
          id: measure.id,
          day: measure.day,
          wanted: `${Math.round(measure.wantedLeft * 100)} / ${Math.round((1 - measure.wantedLeft) * 100)}`,
          share: `${Math.round(share * 100)} / ${Math.round((1 - share) * 100)}`,
          error: Math.round(Math.abs(error) * 100),
        };
      }),
  );

  protected kg(value: number): string {
    return value.toFixed(1);
  }

  protected async keep(): Promise<void> {
    const student = this.choice.student();
    const [leftKg, rightKg] = [this.left(), this.right()];
    if (student === null || leftKg === null || rightKg === null) return;
    const measure = {
      studentId: student.id,
      day: this.clock.today(),
      kind: 'two scales' as const,
      leftKg,
      rightKg,
      wantedLeft: this.wantedLeft(),
    };
    const add = { ...measure, id: this.clock.newId() };
    await this.store.writeOnce(`Two scales of ${student.name}`, [{ table: 'measures', add }], [measure]);
    this.left.set(null);
    this.right.set(null);
  }
}
