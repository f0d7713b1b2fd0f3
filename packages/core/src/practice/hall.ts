import { timeline, type Timeline } from '../routine/timeline';
import { bells, type Bell } from './bells';
import { callNow, type Call } from './calls';
import { conduct, type ConductState } from './conduct';
import { ASLEEP_MS, RING_EVERY_MS, SEEN_EVERY_MS, TICK_MS } from './hallRules';
import type { Journal, JournalEvent } from './journal';

/** The clock and the devices of wherever a practice is conducted, and where it is kept. */
export interface HallDevices {
  /** Epoch milliseconds. */
  readonly now: () => number;
  /** Milliseconds by a clock that nobody sets and that, on most machines, stands still while the machine sleeps. */
  readonly steady: () => number;
  /** Does something every so many ms; gives back what ends it. */
  readonly every: (ms: number, what: () => void) => () => void;
  readonly ringer: {
    /** From a press: browsers keep sound off until then. */
    wake(): Promise<void>;
    /** All bells to come are others. */
    lay(all: readonly Bell[]): void;
    /** The same bells, counted from now. */
    goOn(all: readonly Bell[]): void;
    silence(): void;
  };
  readonly voice: { say(text: string): void; silence(): void };
  readonly awake: { keep(): void; release(): void };
  /** Keeps the practice. @param change what became of it, to be done to what is stored where more than one page may write */
  readonly keep: (journal: Journal, change: (stored: Journal) => Journal) => void;
  /** Told whenever something is to be seen otherwise. */
  readonly changed: (hall: Hall) => void;
}

/** The clock may go back by less without having been set back, ms. */
const SET_BACK_MS = 1000;
/** The clock may go ahead of the steady one by less without the machine having slept: clocks are put right in small steps, ms. */
const SLEPT_MS = 2000;

/**
 * Conducts a practice: looks at the clock, keeps what is pressed and the last moment it was seen, rings, calls, and keeps the
 * screen on. It knows no page: the hall of the application, that of a class and that of the sheet are views of it.
 *
 * Everything pressed goes into the journal with its time, and the state follows from that, so that nothing is lost:
 * - closed or killed while it ran, it stands still from the last moment it was seen;
 * - asleep for more than a moment, it stands still from before: known from the steady clock, where that goes on in sleep too from
 *   `ASLEEP_MS` without a look at the clock;
 * - a clock that is set back does not take anything back.
 */
export class Hall {
  private open: Journal;
  private of: Timeline;
  /** The last look at the clock, and at the steady one. */
  private at: number;
  private steadyAt: number;
  private stateNow: ConductState;
  private called: readonly Call[] | null = null;
  private said: Pick<ConductState, 'spanIndex' | 'offsetMs'> | null = null;
  private laid = '';
  private seen = 0;
  private rung = 0;
  private shownSecond = 0;
  private isClosed = false;
  private readonly stop: () => void;

  constructor(
    private readonly devices: HallDevices,
    journal: Journal,
  ) {
    this.open = journal;
    this.of = timeline(journal.routine);
    this.at = devices.now();
    this.steadyAt = devices.steady();
    this.stateNow = conduct(this.of, journal.events, journal.seenAt);
    // It was closed or killed while it ran.
    if (this.begun && this.stateNow.running) this.record('pause', journal.seenAt);
    else this.look(this.at);
    this.stop = devices.every(TICK_MS, () => this.tick());
  }

  get journal(): Journal {
    return this.open;
  }

  get line(): Timeline {
    return this.of;
  }

  get state(): ConductState {
    return this.stateNow;
  }

  /** When the clock was last looked at, epoch milliseconds. */
  get now(): number {
    return this.at;
  }

  get begun(): boolean {
    return this.open.events.length > 0;
  }

  /** What is said from now on, and when; null while nothing is. */
  says(calls: readonly Call[] | null): void {
    this.called = calls;
    if (calls === null) this.said = null;
  }

  /** Begin, pause or go on, by the one large button or the space bar. */
  toggle(): void {
    if (this.isClosed) return;
    void this.devices.ringer.wake().then(() => this.layBells());
    // What the button said when it was pressed.
    const action = !this.begun ? 'start' : this.stateNow.running ? 'pause' : 'resume';
    this.wakeUp(this.devices.now());
    this.record(action);
  }

  /** @returns whether it was something that can be pressed now */
  press(action: JournalEvent['action']): boolean {
    if (!this.begun || this.isClosed) return false;
    this.wakeUp(this.devices.now());
    this.record(action);
    return true;
  }

  /** Something else about the practice changes: the people of a class, or its routine gets shorter. */
  amend(change: (journal: Journal) => Journal): void {
    if (this.isClosed) return;
    const running = this.stateNow.running || this.stateNow.finished;
    const seenAt = running ? Math.max(this.open.seenAt, this.at) : this.open.seenAt;
    const routine = this.open.routine;
    this.put((stored) => {
      const changed = change(stored);
      return changed === stored ? stored : { ...changed, seenAt };
    });
    if (this.open.routine !== routine) {
      this.of = timeline(this.open.routine);
      this.look(this.at);
      this.layBells();
    }
    this.devices.changed(this);
  }

  /** The bells are heard from now on, or not any more. */
  layBells(): void {
    if (this.begun && !this.isClosed) this.devices.ringer.lay(this.bellsNow());
  }

  /** Nothing is conducted here any more. @param pause whether the practice stands still from now on; another page may go on with it */
  close(pause: boolean): void {
    if (this.isClosed) return;
    this.stop();
    if (pause && this.begun && this.stateNow.running) this.record('pause');
    this.isClosed = true;
    this.devices.ringer.silence();
    this.devices.voice.silence();
    this.devices.awake.release();
  }

  private tick(): void {
    if (!this.begun) return;
    const now = this.devices.now();
    this.wakeUp(now);
    const { finished } = this.stateNow;
    this.look(now);
    if (this.stateNow.finished && !finished) this.keepSeen(now);
    if (this.stateNow.running) {
      if (Math.abs(now - this.seen) > SEEN_EVERY_MS) this.keepSeen(now);
      if (Math.abs(now - this.rung) > RING_EVERY_MS) {
        this.rung = now;
        this.devices.ringer.goOn(this.bellsNow());
      }
      this.devices.changed(this);
      return;
    }
    // What stands still needs a look only for the clock on the wall.
    const second = Math.floor(now / 1000);
    if (second === this.shownSecond && finished === this.stateNow.finished) return;
    this.shownSecond = second;
    this.devices.changed(this);
  }

  /** After a sleep it stands still from before; where the clock was set back it goes on from where it was, by the new time. */
  private wakeUp(now: number): void {
    if (!this.stateNow.running) return;
    const { at } = this;
    const asleep = now - at - (this.devices.steady() - this.steadyAt);
    if (now - at > ASLEEP_MS || asleep > SLEPT_MS) this.record('pause', at);
    else if (at - now > SET_BACK_MS) {
      this.record('pause', at);
      this.record('resume', now);
    }
  }

  private keepSeen(now: number): void {
    this.seen = now;
    this.put((stored) => ({ ...stored, seenAt: now }));
  }

  private record(action: JournalEvent['action'], at = this.devices.now()): void {
    this.put((stored) => ({ ...stored, events: [...stored.events, { at, action }], seenAt: at }));
    this.look(at);
    this.devices.changed(this);
  }

  private put(change: (stored: Journal) => Journal): void {
    const after = change(this.open);
    if (after === this.open) return;
    this.open = after;
    this.devices.keep(after, change);
  }

  /** Where the practice is at a moment, and what follows from it: bells, voice, screen. */
  private look(now: number): void {
    this.at = now;
    this.steadyAt = this.devices.steady();
    this.stateNow = conduct(this.of, this.open.events, now);
    const { running, taps, finished, spanIndex, offsetMs } = this.stateNow;
    const key = `${running} ${taps !== null} ${this.open.events.length}`;
    if (key !== this.laid) {
      this.laid = key;
      this.layBells();
      if (running) this.devices.awake.keep();
      else this.devices.awake.release();
      if (!running && !finished) this.devices.voice.silence();
    }
    if (!this.begun || this.called === null) return;
    const text = running || finished ? callNow(this.called, this.said, { spanIndex, offsetMs }) : null;
    this.said = { spanIndex, offsetMs };
    if (text !== null) this.devices.voice.say(text);
  }

  /** The bells to come, counted from this moment. */
  private bellsNow(): Bell[] {
    return bells(this.of, conduct(this.of, this.open.events, Math.max(this.devices.now(), this.at)));
  }
}
