import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
  untracked,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Checkbox } from 'primeng/checkbox';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { switchMap } from 'rxjs';
import {
  curvePairs,
  cyclesInStep,
  filmRates,
  filmRows,
  secondsInStep,
  valueAt,
  worstRows,
  type FilmReading,
  type Still,
} from '@pomek/core';
import { Repository } from '../data/repository';
import { shortDay } from '../ui/day-words';
import { FilmRun } from '../ui/film-run';
import { CurveChart } from './curve-chart';
import { FilmHead } from './film-head';
import { FilmPane } from './film-pane';
import { FollowedFilm } from './followed-film';
import { NotHere } from './not-here';
import { otherStills } from './still-beside';

/** So many points of a curve are drawn. */
const DRAWN = 240;
/** The second film catches up what it is behind within so long, s. */
const CATCH_UP = 0.5;

/** Two films of a student beside each other and in step: two weeks, or the left in a mirror beside the right. */
@Component({
  selector: 'pk-films-beside',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Checkbox,
    CurveChart,
    FilmHead,
    FilmPane,
    FilmRun,
    FormsModule,
    NgTemplateOutlet,
    NotHere,
    RouterLink,
    Select,
    SelectButton,
  ],
  templateUrl: './films-beside.html',
  styleUrl: './films-beside.scss',
})
export class FilmsBeside {
  private readonly repository = inject(Repository);
  private readonly router = inject(Router);
  /** The student. */
  readonly id = input.required<string>();
  readonly stillId = input.required<string>();
  /** The still of the other film, from the address. */
  readonly other = input<string>();

  private readonly stills = toSignal(toObservable(this.id).pipe(switchMap((id) => this.repository.stillsOf(id))));
  protected readonly others = computed(() =>
    otherStills(
      (this.stills() ?? []).filter(({ atSeconds }) => atSeconds !== null),
      this.stillId(),
    ),
  );
  /** The one that is named, else the newest. */
  protected readonly otherId = computed(() => {
    const others = this.others();
    return (others.find(({ id }) => id === this.other()) ?? others[0])?.id ?? '';
  });
  protected readonly first = new FollowedFilm(this.id, this.stillId, this.filmOf(this.stillId));
  protected readonly second = new FollowedFilm(this.id, this.otherId, this.filmOf(this.otherId));
  protected readonly still = this.first.still;
  protected readonly student = this.first.filmed.student;
  protected readonly mirrored = linkedSignal({
    source: () => [this.first.still()?.from, this.second.still()?.from] as const,
    // The left is held against the right as in a mirror.
    computation: ([mine, theirs]) => (mine === 'left' && theirs === 'right') || (mine === 'right' && theirs === 'left'),
  });

  /** Where each begins, s of it, second by second. */
  protected readonly begins = linkedSignal({
    source: () => [this.first.start(), this.second.start()] as const,
    computation: (starts) => starts,
  });
  private readonly readings = computed((): readonly [FilmReading, FilmReading] | null => {
    const [first, second] = [this.first.reading(), this.second.reading()];
    return first === null || second === null ? null : [first, second];
  });
  private readonly byCycles = computed(() => {
    const readings = this.readings();
    return readings === null ? null : cyclesInStep(...readings, this.mirrored());
  });
  protected readonly ways = computed(() => [
    { label: 'Cycle by cycle', value: 'cycles', disabled: this.byCycles() === null },
    { label: 'Second by second', value: 'seconds' },
  ]);
  protected readonly way = linkedSignal<boolean, 'cycles' | 'seconds'>({
    source: () => this.byCycles() !== null,
    computation: (counted) => (counted ? 'cycles' : 'seconds'),
  });
  protected readonly step = computed(() => {
    const counted = this.byCycles();
    if (this.way() === 'cycles' && counted !== null) return counted;
    const [mine, theirs] = this.begins();
    return secondsInStep({ from: mine, to: this.first.end() }, { from: theirs, to: this.second.end() });
  });
  /** Where both are, in step. */
  protected readonly place = linkedSignal({ source: this.step, computation: () => 0 });
  protected readonly said = computed(() => {
    const [place, { length }] = [this.place(), this.step()];
    return this.way() === 'cycles'
      ? `${place.toFixed(2)} of ${length.toFixed(1)} cycles`
      : `${place.toFixed(2)} s of ${length.toFixed(1)} s`;
  });
  /** What each is called: its day, or its name where both are of one day. */
  protected readonly heads = computed(() => {
    const [mine, theirs] = [this.first.still(), this.second.still()];
    if (mine == null || theirs == null) return ['', ''] as const;
    const words = (of: Still): string => (mine.day === theirs.day ? of.name : shortDay(of.day));
    return [words(mine), words(theirs)] as const;
  });
  protected readonly ready = computed(() => this.first.reel.isThere() && this.second.reel.isThere());

  private readonly pairs = computed(() => {
    const readings = this.readings();
    return readings === null ? [] : curvePairs(...readings, this.mirrored());
  });
  protected readonly curveKey = signal<string | null>(null);
  protected readonly curveOptions = computed(() =>
    this.pairs().map(([{ id, side, name, unit }]) => ({ key: `${id} ${side}`, label: `${name}, ${unit}` })),
  );
  protected readonly curve = computed(() => {
    const [readings, pairs, step] = [this.readings(), this.pairs(), this.step()];
    const pair = pairs.find(([{ id, side }]) => `${id} ${side}` === this.curveKey()) ?? pairs[0];
    if (readings === null || pair === undefined || step.length === 0) return null;
    const heads = this.heads();
    const lines = pair.map((curve, at) => ({
      name: heads[at]!,
      points: Array.from({ length: DRAWN + 1 }, (_, part) => {
        const x = (part / DRAWN) * step.length;
        return { x, y: valueAt(curve, readings[at]!.seconds, step.moments(x)[at]!) };
      }),
    }));
    const [{ id, side, name, unit }] = pair;
    return { key: `${id} ${side}`, name, unit, lines };
  });
  protected readonly rows = computed(() => {
    const readings = this.readings();
    return readings === null ? [] : filmRows(...readings, this.mirrored());
  });
  protected readonly worst = computed(() => {
    const readings = this.readings();
    return readings === null ? [] : worstRows(...readings);
  });

  constructor() {
    // Whatever moves the place, or opens a film, both stand there.
    effect(() => {
      const ready = this.ready();
      this.step();
      if (ready) untracked(() => void this.go(this.place()));
    });
  }

  private filmOf(id: () => string) {
    return toSignal(toObservable(computed(id)).pipe(switchMap((one) => this.repository.one('films', one))));
  }

  protected async choose(other: string): Promise<void> {
    await this.router.navigate([], { queryParams: { other }, replaceUrl: true });
  }

  protected beginAt(which: 0 | 1, seconds: number): void {
    this.begins.update(([mine, theirs]) => (which === 0 ? [seconds, theirs] : [mine, seconds]));
  }

  /** Both stand at a place in step. */
  protected async go(place: number): Promise<void> {
    const { length, moments } = this.step();
    const within = Math.max(0, Math.min(length, place));
    this.place.set(within);
    const [mine, theirs] = moments(within);
    await Promise.all([this.first.reel.go(mine), this.second.reel.go(theirs)]);
  }

  protected async stepBy(way: 1 | -1): Promise<void> {
    const { moments, placeOf } = this.step();
    const frame = 1 / (this.first.film()?.perSecond ?? filmRates[0]);
    await this.go(placeOf(moments(this.place())[0] + way * frame));
  }

  protected async toggle(): Promise<void> {
    if (this.first.reel.running()) this.stand();
    else await this.run();
  }

  private stand(): void {
    this.first.reel.stand();
    this.second.reel.stand();
  }

  /** Runs the first as fast as is chosen, and the second so that it keeps in step. */
  private async run(): Promise<void> {
    const [{ length, moments, placeOf }, first, second] = [this.step(), this.first.reel, this.second.reel];
    if (this.place() >= length - 1e-6) await this.go(0);
    second.useSpeed(first.speed());
    await second.play();
    await first.play(() => {
      const place = placeOf(first.at());
      this.place.set(place);
      const [mine, theirs] = moments(place);
      const [later, there] = moments(place + length / 1000);
      const ratio = later - mine > 1e-6 ? (there - theirs) / (later - mine) : 1;
      second.pace(first.speed() * ratio + (theirs - second.at()) / CATCH_UP);
      if (place >= length - 1e-6 || !second.running()) this.stand();
    });
  }
}
