import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import {
  askedSaid,
  countedOf,
  cyclesSaid,
  driftSaid,
  evennessSaid,
  heightSaid,
  paceSaid,
  pausesSaid,
  slidesSaid,
  type AskedThen,
  type Film,
  type FilmFrom,
  type FilmReading,
  type WorstMoment,
} from '@pomek/core';

/** What a followed film says: how it moved, and each checkpoint where it is worst, one press away. */
@Component({
  selector: 'pk-film-answers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    @if (told().length > 0) {
      <section class="sheet" aria-label="What it says">
        <h2>How it moved</h2>
        <ul class="bare num">
          @for (line of told(); track line) {
            <li>{{ line }}</li>
          }
        </ul>
      </section>
    }
    <section class="sheet" aria-label="Worst moments">
      <h2>Checkpoints where they are worst</h2>
      <ul class="bare worst">
        @for (moment of reading().worst; track moment.point.checkpoint.id) {
          <li>
            <div>
              <strong>{{ moment.point.checkpoint.region }}</strong>&ngsp;<span class="num">{{
                moment.point.said
              }}</span>
              <p class="small soft num">{{ moment.point.why }}</p>
            </div>
            <p-button
              [label]="secondsOf(moment)"
              [ariaLabel]="'Go to the worst moment: ' + moment.point.checkpoint.region"
              size="small"
              variant="outlined"
              (onClick)="go.emit(moment)"
            />
            <p-button
              icon="pi pi-play"
              [ariaLabel]="'Run the worst moment slowly: ' + moment.point.checkpoint.region"
              size="small"
              variant="text"
              [disabled]="!there()"
              (onClick)="run.emit(moment)"
            />
          </li>
        } @empty {
          <li>None of this exercise’s checkpoints can be judged from here.</li>
        }
      </ul>
      <p class="small soft beyond">
        {{ slides() }}
      </p>
    </section>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.75rem;
    }
    .sheet {
      padding: 0.75rem 1rem;
    }
    h2 {
      margin-bottom: 0.25rem;
      font-size: 1.1rem;
    }
    strong::first-letter {
      text-transform: uppercase;
    }
    strong {
      display: inline-block;
    }
    .beyond {
      margin-top: 0.5rem;
    }
    li + li {
      margin-top: 0.35rem;
    }
    .worst li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto auto;
      gap: 0.5rem;
      align-items: center;
    }
  `,
})
export class FilmAnswers {
  readonly reading = input.required<FilmReading>();
  readonly from = input.required<FilmFrom>();
  /** What was asked on that day; null where nothing is known to be done. */
  readonly asked = input.required<AskedThen | null>();
  readonly film = input.required<Film>();
  /** The film itself is there to be run. */
  readonly there = input.required<boolean>();
  readonly go = output<WorstMoment>();
  readonly run = output<WorstMoment>();

  protected readonly told = computed(() => {
    const [{ cycles, height, drift }, asked] = [this.reading(), this.asked()];
    const first = countedOf(cycles, asked?.side ?? 'both');
    return [
      ...cycles.map(cyclesSaid),
      first === null || asked === null ? '' : askedSaid(asked, first),
      first === null || asked === null ? '' : paceSaid(first, asked.dose),
      evennessSaid(cycles),
      first === null ? '' : pausesSaid(first),
      height === null ? '' : heightSaid(height),
      driftSaid(drift, this.from()),
    ].filter((line) => line !== '');
  });

  protected readonly slides = computed(() => slidesSaid(this.film(), this.from()));

  protected secondsOf({ frame }: WorstMoment): string {
    return `${this.reading().seconds[frame]!.toFixed(1)} s`;
  }
}
