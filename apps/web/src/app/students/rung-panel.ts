import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import equal from 'fast-deep-equal';
import {
  axisWords,
  doseOf,
  gridOf,
  durationWords,
  KNEE_SEEN,
  kneeWords,
  lowerFirst,
  nextRung,
  rungExchange,
  turnedPosture,
  turnedWords,
  type RungExchange,
  type School,
  type Strand,
  type StrandPlace,
  type Turned,
} from '@pomek/core';
import { NumberField } from '../ui/number-field';

type Wish = Pick<Turned, 'kneeBendDeg' | 'weightShare' | 'shoulderRaiseDeg'>;

export interface RungTaken {
  readonly strandId: string;
  readonly turned: Partial<Turned>;
  readonly exchange: RungExchange;
}

/** Lower, higher, more on one leg, other arms: what the hold becomes at equal effort, and where to begin. */
@Component({
  selector: 'pk-rung',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, NumberField],
  template: `
    @let it = place();
    <div class="stack rung">
      @if (proposal(); as next) {
        <p class="row">
          <span>{{ next.words }}</span>
          @if (next.turned !== null) {
            <p-button label="Look at it" size="small" variant="text" (onClick)="wish.set(next.turned)" />
          }
        </p>
      }
      <div class="row top">
        <pk-number
          label="Bend"
          unit="°"
          [max]="120"
          [value]="to().kneeBendDeg"
          (valueChange)="set({ kneeBendDeg: $event })"
        />
        <pk-number
          label="Arms raised"
          unit="°"
          [max]="180"
          [value]="to().shoulderRaiseDeg"
          (valueChange)="set({ shoulderRaiseDeg: $event })"
        />
        @if (it.exercise.twoSided) {
          <pk-number
            label="On the working leg"
            unit="%"
            [min]="50"
            [max]="100"
            [value]="percent(to().weightShare)"
            (valueChange)="set({ weightShare: $event === null ? null : $event / 100 })"
          />
        }
      </div>
      @if (turned()) {
        <p-button label="As the routine has it" size="small" variant="text" (onClick)="wish.set(it.base)" />
      }
      @if (exchange(); as there) {
        <div role="status">
          <p class="num">
            <strong>{{ hold() }}</strong> as it is now ≙ <strong>{{ said(there.equal.seconds) }}</strong> there
            <span class="soft">({{ said(there.equal.least) }} to {{ said(there.equal.most) }})</span>; begin at
            <strong>{{ said(there.begin) }}</strong>.
          </p>
          <p class="small soft">
            {{ there.limitedBy === 'back' ? 'The back gives' : 'The ' + there.limitedBy + ' give' }} out first there.
            The range is a bend read five degrees wrong.
            {{ guessed(there) ? 'They were not tested: it is a guess by age and habit.' : '' }}
          </p>
          @if (warning(); as words) {
            <p class="wrong">{{ words }}</p>
          }
        </div>
        <div class="row">
          <p-button [label]="'Begin there at ' + said(there.begin)" size="small" (onClick)="take(there)" />
          <p-button label="Back to how it is" size="small" variant="text" (onClick)="wish.set(null)" />
        </div>
      } @else {
        <p class="soft">Change the bend, the arms or the weight to see what the hold becomes.</p>
      }
    </div>
  `,
  styles: `
    .rung {
      padding: 0.75rem 0 0.25rem;
    }
    .top {
      align-items: flex-end;
    }
  `,
})
export class RungPanel {
  readonly place = input.required<StrandPlace>();
  readonly strand = input.required<Strand>();
  readonly school = input.required<School>();
  readonly taken = output<RungTaken>();

  protected readonly wish = signal<Partial<Wish> | null>(null);
  protected readonly said = durationWords;
  /** The posture that is wished for. */
  protected readonly to = computed(() => turnedPosture(this.place().posture, this.wish() ?? {}));
  private readonly dose = computed(() => doseOf(this.strand().level, gridOf(this.strand())));
  protected readonly hold = computed(() => durationWords(this.dose()));
  protected readonly exchange = computed(() => {
    const { posture, body } = this.place();
    return equal(this.to(), posture) ? null : rungExchange(body, posture, this.dose(), this.to());
  });
  /** Whether the plan has turned it otherwise than the routine has it. */
  protected readonly turned = computed(() => !equal(this.place().posture, this.place().base));
  protected readonly warning = computed(() => {
    const there = this.exchange();
    if (there === null) return null;
    if (there.kneePastToes > KNEE_SEEN) return `There: ${lowerFirst(kneeWords(there.kneePastToes))}.`;
    return there.beyondBalance ? 'There the heels would lift: it is beyond balance for these ankles.' : null;
  });
  /** What the school's order of axes proposes next. */
  protected readonly proposal = computed(() => {
    const { posture, body, exercise } = this.place();
    const rung = nextRung(body, posture, exercise, this.strand(), this.school());
    const by = `By the order of “${this.school().name}”`;
    if (rung === null) return { words: `${by} every axis is used up here.`, turned: null };
    if (rung.turned === null) {
      return { words: `${by} the hold comes first: up to ${axisWords(this.strand().target, 'time')}.`, turned: null };
    }
    return { words: `${by} next: ${turnedWords(rung.turned)}.`, turned: rung.turned };
  });

  /** The back is reckoned from the legs. */
  protected guessed({ limitedBy }: RungExchange): boolean {
    return this.place().guessed[limitedBy === 'arms' ? 'arms' : 'legs'];
  }

  protected percent(share: number): number {
    return Math.round(share * 100);
  }

  protected set(part: Partial<Wish>): void {
    this.wish.update((wish) => ({ ...wish, ...part }));
  }

  protected take(exchange: RungExchange): void {
    const [to, base] = [this.to(), this.place().base];
    const own = (key: keyof Wish): number | null => (to[key] === base[key] ? null : to[key]);
    const turned: Wish = {
      kneeBendDeg: own('kneeBendDeg'),
      weightShare: own('weightShare'),
      shoulderRaiseDeg: own('shoulderRaiseDeg'),
    };
    this.taken.emit({ strandId: this.strand().id, turned, exchange });
    this.wish.set(null);
  }
}
