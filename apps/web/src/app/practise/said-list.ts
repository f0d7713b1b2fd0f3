import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterNextRender,
  computed,
  effect,
  inject,
  Injector,
  input,
  model,
  signal,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Drawer } from 'primeng/drawer';
import {
  LONGEST_LINE,
  VOICE_RATE,
  clock,
  levelled,
  lineKey,
  msOfRecording,
  recordingOf,
  saidWhen,
  soundBytes,
  type Call,
  type Recording,
  type Timeline,
} from '@pomek/core';
import { KeptRecordings } from '../data/kept-recordings';
import { reasonOf } from '../data/notices';
import { sizeWords } from '../ui/size-words';
import { Microphone, type Take } from './microphone';
import { Speaker } from './speaker';

/** How often the level is looked at while something is recorded, ms. */
const LOOK_MS = 80;

/** A line that is being recorded. */
interface UnderWay {
  readonly key: string;
  readonly take: Take;
  /** When it began, ms of the page. */
  readonly since: number;
  readonly seconds: number;
  /** 0–1. */
  readonly level: number;
}

const seconds = (recording: Recording): string => `${(msOfRecording(recording) / 1000).toFixed(1)} s`;

/**
 * What is said in a practice, and when: as it is planned, before it begins or while it goes on. Each line can be recorded in the
 * teacher’s own voice, and heard.
 */
@Component({
  selector: 'pk-said-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, Drawer, FormsModule],
  templateUrl: './said-list.html',
  styleUrl: './said-list.scss',
})
export class SaidList {
  private readonly kept = inject(KeptRecordings);
  private readonly microphone = inject(Microphone);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly injector = inject(Injector);
  protected readonly speaker = inject(Speaker);

  readonly open = model.required<boolean>();
  readonly calls = input.required<readonly Call[]>();
  /** The same if nothing were recorded: a line that is spoken longer than there is room for is not called. */
  readonly plain = input.required<readonly Call[]>();
  readonly line = input.required<Timeline>();
  /** Whether the practice goes on meanwhile: then nothing is recorded. */
  readonly running = input(false);

  protected readonly closeButton = {
    severity: 'secondary',
    text: true,
    rounded: true,
    ariaLabel: 'Close the list',
  } as const;
  protected readonly longest = LONGEST_LINE;
  /** Only lines that are not recorded yet. */
  protected readonly onlyOpen = signal(false);
  protected readonly underWay = signal<UnderWay | null>(null);
  private readonly beginning = signal(false);
  private isGone = false;
  /** Why a line was not recorded, and what was recorded of it where that could only not be kept. */
  protected readonly problem = signal<{ key: string; why: string; recording: Recording | null } | null>(null);

  private readonly all = computed(() => {
    const { totalMs } = this.line();
    const withRoom = (calls: readonly Call[]) => {
      const said = saidWhen(calls, this.line());
      return said.map(({ atMs, text }, index) => {
        const next = said[index + 1]?.atMs ?? Math.max(totalMs, atMs) + LONGEST_LINE * 1000;
        return { atMs, text, key: lineKey(text), room: next - atMs };
      });
    };
    const called = withRoom(this.calls()).map((line) => ({ ...line, isCalled: true }));
    const keys = new Set(called.map(({ key }) => key));
    const tooLong = withRoom(this.plain())
      .filter(({ key }) => !keys.has(key))
      .map((line) => ({ ...line, isCalled: false }));
    const seen = new Set<string>();
    return [...called, ...tooLong]
      .toSorted((a, b) => a.atMs - b.atMs)
      .map((line) => {
        const first = !seen.has(line.key);
        seen.add(line.key);
        return { ...line, at: clock(Math.floor(line.atMs / 1000)), first };
      });
  });
  /** How long there is for each line before the next one, ms: the least of all its places. */
  private readonly rooms = computed(() => {
    const rooms = new Map<string, number>();
    for (const { key, room } of this.all()) rooms.set(key, Math.min(room, rooms.get(key) ?? Infinity));
    return rooms;
  });
  protected readonly lines = computed(() => {
    const recorded = this.speaker.recorded();
    return this.all()
      .map((line) => {
        const recording = recorded.get(line.key) ?? null;
        const room = this.rooms().get(line.key)!;
        const isLong = recording !== null && msOfRecording(recording) > room;
        const then = line.isCalled ? 'then the next line cuts it off' : 'so it is not said. Record it shorter';
        return {
          ...line,
          recording,
          lasts: recording === null ? '' : seconds(recording),
          long: isLong ? `There is room for ${(room / 1000).toFixed(1)} s, ${then}.` : '',
        };
      })
      .filter(({ recording, first }) => !this.onlyOpen() || (recording === null && first));
  });
  protected readonly summary = computed(() => {
    const recorded = this.speaker.recorded();
    const keys = new Set(this.all().map(({ key }) => key));
    const own = [...keys].flatMap((key) => recorded.get(key) ?? []);
    const bytes = own.reduce((sum, recording) => sum + soundBytes(recording), 0);
    if (own.length === 0) return '';
    return `${own.length} of ${keys.size} lines in your own voice, ${sizeWords(bytes)}`;
  });
  /** Recorded lines that this practice does not say. */
  protected readonly others = computed(() => {
    const keys = new Set(this.all().map(({ key }) => key));
    return [...this.speaker.recorded().values()]
      .filter(({ id }) => !keys.has(id))
      .toSorted((a, b) => a.id.localeCompare(b.id))
      .map((recording) => ({ recording, text: recording.id, lasts: seconds(recording) }));
  });
  protected readonly mayRecord = computed(() => !this.running() && !this.beginning() && this.underWay() === null);

  constructor() {
    const timer = setInterval(() => this.look(), LOOK_MS);
    inject(DestroyRef).onDestroy(() => {
      clearInterval(timer);
      this.isGone = true;
      this.giveUp();
    });
    // Closed, or gone on with: what is half recorded is given up.
    effect(() => {
      if (!this.open() || this.running()) untracked(() => this.giveUp());
    });
  }

  protected async record(key: string): Promise<void> {
    if (!this.mayRecord()) return;
    this.problem.set(null);
    this.speaker.silence();
    this.beginning.set(true);
    try {
      const take = await this.microphone.record();
      // Meanwhile the browser may have asked, and the list may have been closed.
      const isWanted = !this.isGone && this.open() && !this.running();
      if (isWanted) this.underWay.set({ key, take, since: performance.now(), seconds: 0, level: 0 });
      else take.giveUp();
    } catch (error) {
      this.problem.set({ key, why: reasonOf(error), recording: null });
    } finally {
      this.beginning.set(false);
    }
    this.focusOn(key, '.stop button');
  }

  /** Ends what is being recorded, keeps it, and lets it be heard. */
  protected async stop(): Promise<void> {
    const underWay = this.underWay();
    if (underWay === null) return;
    const { key, take } = underWay;
    const after = this.lines().slice(this.lines().findIndex((line) => line.key === key) + 1);
    const next = after.find(({ first, recording }) => first && recording === null)?.key;
    this.underWay.set(null);
    this.beginning.set(true);
    try {
      const samples = levelled(await take.end(), VOICE_RATE);
      if (samples === null)
        this.problem.set({
          key,
          why: 'Nothing was heard. Come nearer to the microphone, and try again.',
          recording: null,
        });
      else await this.keep(recordingOf(key, samples.subarray(0, LONGEST_LINE * VOICE_RATE)));
    } catch (error) {
      this.problem.set({ key, why: reasonOf(error), recording: null });
    } finally {
      this.beginning.set(false);
    }
    this.focusOn(this.problem() === null ? (next ?? key) : key, '.record button');
  }

  /** Keeps a line, and lets it be heard. */
  protected async keep(recording: Recording): Promise<void> {
    this.problem.set(null);
    try {
      await this.kept.keep(recording);
    } catch (error) {
      this.problem.set({ key: recording.id, why: `It is not saved yet. ${reasonOf(error)}`, recording });
    }
    await this.speaker.hear(recording);
  }

  protected hear(recording: Recording): void {
    void this.speaker.hear(recording);
  }

  protected remove(recording: Recording): void {
    void this.kept.remove(recording);
  }

  private look(): void {
    const underWay = this.underWay();
    if (underWay === null) return;
    const seconds = (performance.now() - underWay.since) / 1000;
    this.underWay.set({ ...underWay, seconds, level: Math.min(1, underWay.take.level()) });
    if (seconds >= LONGEST_LINE) void this.stop();
  }

  private giveUp(): void {
    this.underWay()?.take.giveUp();
    this.underWay.set(null);
  }

  /** Goes on to a button of a line: to stop what has begun, or to record what comes next. */
  private focusOn(key: string, wanted: string): void {
    if (this.isGone) return;
    afterNextRender(
      () => {
        const rows = this.host.nativeElement.ownerDocument.querySelectorAll<HTMLElement>('.said [data-line]');
        const row = [...rows].find(({ dataset }) => dataset['line'] === key);
        row?.querySelector<HTMLElement>(wanted)?.focus();
      },
      { injector: this.injector },
    );
  }
}
