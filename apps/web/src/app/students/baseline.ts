import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { formatISO, parseISO, subDays } from 'date-fns';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import {
  durationWords,
  isSideView,
  knownStands,
  measureMeaning,
  measureTrend,
  measureValue,
  readStill,
  restingRate,
  stanceSeen,
  stillTerms,
  type Measure,
  type MeasureKind,
  type Still,
  TEST_STANCE,
  type PersonRecord,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { Store } from '../data/store';
import { DayPipe } from '../ui/day.pipe';
import { shortDay } from '../ui/day-words';
import { DurationField } from '../ui/duration-field';
import { NumberField } from '../ui/number-field';
import { RowKeys } from '../ui/row-keys';

/** A still as old as this may show the posture of a test hold of today, days. */
const STANCE_DAYS = 14;

const guides: Record<MeasureKind, string> = {
  hold: 'Feet at shoulder width, knees bent to 30°, arms round. Low enough that the legs decide, and safe for the knees.',
  'one-leg stand': 'Beside a chair, eyes open, arms hanging. Stop when a foot moves or the chair is touched.',
  'chair stand': 'From a chair of knee height, arms crossed: how often up and down in 30 seconds.',
  'tandem stand':
    'One foot directly in front of the other, heel to toe, beside a chair. Stop when a foot moves, at 30 s at the latest.',
  'two scales': 'One foot on each of two bathroom scales, standing easily, looking ahead.',
  'knee to wall': 'Facing a wall, heel down: the largest distance from toe to wall at which the knee still touches it.',
  'resting breath': 'Sitting quietly. Tap once at each breath in, for about a minute.',
};

/** The baseline session: what to test and why, the results with their meaning, and how they changed. */
@Component({
  selector: 'pk-baseline',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DayPipe, DurationField, FormsModule, NumberField, Select, SelectButton, RowKeys],
  templateUrl: './baseline.html',
  styleUrl: './baseline.scss',
})
export class Baseline {
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  readonly person = input.required<PersonRecord>();
  protected readonly student = computed(() => this.person().student);
  private readonly school = computed(() => this.person().school);
  protected readonly measures = computed(() => this.person().measures);
  private readonly exercises = computed(() => this.person().exercises);
  readonly stills = input<readonly Still[]>([]);

  protected readonly kinds = (Object.keys(guides) as MeasureKind[]).map((kind) => ({ label: kind, value: kind }));
  protected readonly kind = signal<MeasureKind>('hold');
  protected readonly side = signal<'left' | 'right'>('left');
  protected readonly stoppedBy = signal<'legs' | 'arms'>('legs');
  protected readonly sides = [
    { label: 'Left', value: 'left' },
    { label: 'Right', value: 'right' },
  ];
  protected readonly stops = [
    { label: 'The legs', value: 'legs' },
    { label: 'The arms', value: 'arms' },
  ];
  protected readonly guide = computed(() => guides[this.kind()]);
  protected readonly stopRule = computed(() =>
    this.school().fatigueRule === 'ease'
      ? 'Stop at the first shaking or when the alignment goes; pain always stops.'
      : 'Stay while it only burns; stop when the alignment goes. Pain always stops.',
  );
  protected readonly timed = computed(() => ['hold', 'one-leg stand', 'tandem stand'].includes(this.kind()));
  protected readonly sided = computed(() => this.kind() === 'one-leg stand' || this.kind() === 'knee to wall');
  /** When the clock was started; null while it stands. */
  private readonly since = signal<number | null>(null);
  protected readonly running = computed(() => this.since() !== null);
  protected readonly seconds = linkedSignal<MeasureKind, number>({ source: this.kind, computation: () => 0 });
  protected readonly first = signal<number | null>(null);
  protected readonly second = signal<number | null>(null);
  protected readonly taps = signal<readonly number[]>([]);
  protected readonly rate = computed(() => (this.taps().length < 4 ? null : restingRate(this.taps())));

  /** Postures of a test hold: as guided, or as a still of these days shows it. */
  protected readonly stances = computed(() => {
    const oldest = formatISO(subDays(parseISO(this.clock.today()), STANCE_DAYS), { representation: 'date' });
    const seen = this.stills()
      .filter(({ day, from }) => day >= oldest && isSideView(from))
      .flatMap((still) => {
        const exercise = this.exercises().find(({ id }) => id === still.exerciseId) ?? null;
        const stance = stanceSeen(
          readStill(still, stillTerms(still, this.student(), exercise, this.school())),
          TEST_STANCE,
        );
        if (stance === null) return [];
        return [{ id: still.id, stance, label: `as seen on ${shortDay(still.day)}: knees ${stance.kneeBendDeg}°` }];
      });
    return [{ id: '', stance: TEST_STANCE, label: `as guided: knees ${TEST_STANCE.kneeBendDeg}°` }, ...seen];
  });
  protected readonly stanceFrom = signal('');
  private readonly stance = computed(
    () => this.stances().find(({ id }) => id === this.stanceFrom())?.stance ?? TEST_STANCE,
  );

  protected readonly rows = computed(() => {
    const sorted = this.measures().toSorted((a, b) => b.day.localeCompare(a.day));
    return sorted.map((measure, index) => ({
      measure,
      value: measureValue(measure),
      meaning: measureMeaning(measure, this.person().age),
      trend: measureTrend(
        measure,
        sorted.slice(index + 1).find((other) => other.kind === measure.kind && sideOf(other) === sideOf(measure)),
        this.person().body,
      ),
    }));
  });

  /** What is known of legs and arms, said by the plain stands that everyone knows. */
  protected readonly known = computed(() => {
    const { body, capacity, school } = this.person();
    return knownStands(body, capacity, school);
  });

  protected choose(kind: MeasureKind): void {
    this.kind.set(kind);
    this.since.set(null);
    this.first.set(null);
    this.second.set(null);
    this.taps.set([]);
  }

  protected startStop(): void {
    const begun = this.since();
    const now = this.clock.now().getTime();
    if (begun === null) this.since.set(now);
    else {
      this.seconds.set(Math.max(1, Math.round((now - begun) / 1000)));
      this.since.set(null);
    }
  }

  protected tap(): void {
    this.taps.update((taps) => [...taps, this.clock.now().getTime() / 1000]);
  }

  /** What would be kept now; null while something is missing. */
  protected readonly ready = computed((): Measure | null => {
    const shared = { id: '', studentId: this.student().id, day: this.clock.today() };
    const [kind, seconds, first, second] = [this.kind(), this.seconds(), this.first(), this.second()];
    switch (kind) {
      case 'hold':
        return seconds < 1 ? null : { ...shared, kind, seconds, stoppedBy: this.stoppedBy(), stance: this.stance() };
      case 'one-leg stand':
        return seconds < 1 ? null : { ...shared, kind, side: this.side(), seconds };
      case 'tandem stand':
        return seconds < 1 ? null : { ...shared, kind, seconds };
      case 'chair stand':
        return first === null ? null : { ...shared, kind, count: first };
      case 'knee to wall':
        return first === null ? null : { ...shared, kind, side: this.side(), cm: first };
      case 'two scales':
        return first === null || second === null || first + second < 1
          ? null
          : { ...shared, kind, leftKg: first, rightKg: second, wantedLeft: 0.5 };
      case 'resting breath': {
        const rate = this.rate();
        return rate === null ? null : { ...shared, kind, perMinute: Math.round(rate * 10) / 10 };
      }
    }
  });

  protected async keep(): Promise<void> {
    const measure = this.ready();
    if (measure === null) return;
    await this.store.writeOnce(
      `Measure ${measure.kind} of ${this.student().name}`,
      [{ table: 'measures', add: { ...measure, id: this.clock.newId() } }],
      ['measure', measure],
    );
    this.choose(measure.kind);
    this.seconds.set(0);
  }

  protected async remove(measure: Measure): Promise<void> {
    await this.store.write(`Remove a ${measure.kind}`, [{ table: 'measures', remove: measure.id }]);
    this.notices.done('Measure removed', { undo: true });
  }

  protected time(seconds: number): string {
    return durationWords(seconds);
  }
}

const sideOf = (measure: Measure): string =>
  'side' in measure ? measure.side : 'stoppedBy' in measure ? measure.stoppedBy : '';
