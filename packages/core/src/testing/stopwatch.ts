import type { JournalEvent } from '../practice/journal';
import type { Span } from '../routine/timeline';

type Action = JournalEvent['action'];

/**
 * A practice gone through second by second, as somebody with a stopwatch and a tally would: no formula of the program is used.
 * Everything in the routine lasts whole seconds.
 */
export class Stopwatch {
  at = 0;
  seconds = 0;
  /** Counted by hand; null while the pace counts. */
  tally: number | null = null;
  running = false;
  over = false;
  readonly spent = new Map<number, number>();
  readonly amount = new Map<number, number>();

  constructor(private readonly spans: readonly Span[]) {}

  private get span(): Span | undefined {
    return this.spans[this.at];
  }

  private lengthOf(span: Span): number {
    return span.durationMs / 1000;
  }

  /** What is done of a span by now: holds by their time, all else by whole repetitions. */
  private doneNow(span: Span): number {
    if (this.tally !== null) return Math.min(span.amount, this.tally);
    const share = Math.min(1, this.seconds / this.lengthOf(span));
    if (span.kind === 'hold') return share;
    return share >= 1 ? span.amount : Math.floor((this.seconds * span.amount) / this.lengthOf(span));
  }

  private writeDown(): void {
    const { span } = this;
    if (span === undefined || (this.seconds === 0 && this.tally === null)) return;
    this.spent.set(span.index, (this.spent.get(span.index) ?? 0) + this.seconds);
    if (span.amount > 0) this.amount.set(span.index, Math.max(this.amount.get(span.index) ?? 0, this.doneNow(span)));
  }

  private go(to: number): void {
    this.at = Math.max(0, Math.min(this.spans.length, to));
    this.seconds = 0;
    this.tally = null;
    if (this.at === this.spans.length) {
      this.over = true;
      this.running = false;
    } else this.over = false;
  }

  second(): void {
    const { span } = this;
    if (!this.running || span === undefined) return;
    this.seconds += 1;
    if (this.tally !== null || span.byCue || this.seconds < this.lengthOf(span)) return;
    this.writeDown();
    this.go(this.at + 1);
  }

  press(action: Action): void {
    const { span } = this;
    if (this.over && action !== 'back') return;
    switch (action) {
      case 'start':
      case 'resume':
        this.running = true;
        break;
      case 'pause':
        this.running = false;
        break;
      case 'loosen':
        if (span?.kind === 'hold' || span?.kind === 'breath') this.running = false;
        break;
      case 'next':
        this.writeDown();
        this.go(this.at + 1);
        break;
      case 'back': {
        const again = this.seconds > 3;
        if (!this.over) this.writeDown();
        this.go(again ? this.at : this.at - 1);
        break;
      }
      case 'tap':
        if (span?.kind !== 'cycle' || !this.running) break;
        this.tally = (this.tally ?? Math.floor((this.seconds * span.amount) / this.lengthOf(span))) + 1;
        if (this.tally >= span.amount) {
          this.writeDown();
          this.go(this.at + 1);
        }
        break;
      case 'pace': {
        if (span === undefined || this.tally === null) break;
        // The pace counts on from the tally; the time that went is kept.
        const from = (this.tally * this.lengthOf(span)) / span.amount;
        this.spent.set(span.index, (this.spent.get(span.index) ?? 0) + this.seconds - from);
        this.seconds = from;
        this.tally = null;
        break;
      }
      case 'end':
        this.writeDown();
        this.over = true;
        this.running = false;
        break;
      default:
    }
  }
}
