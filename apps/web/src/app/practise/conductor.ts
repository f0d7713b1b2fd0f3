import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { of, switchMap } from 'rxjs';
import * as z from 'zod';
import {
  ASLEEP_MS,
  RING_EVERY_MS,
  SEEN_EVERY_MS,
  TICK_MS,
  bells,
  callNow,
  clock,
  conduct,
  cuePlan,
  dayNumber,
  shownNow,
  fellShort,
  hallCalls,
  hallKeys,
  leftOf,
  logLines,
  momentOf,
  pointsInWork,
  bodyOfStudent,
  practiceLog,
  seenAs,
  timeline,
  timesDone,
  type Bell,
  type ClassAnswers,
  type ConductState,
  type Journal,
  type JournalEvent,
  type Routine,
  type SeenAs,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Journals } from '../data/journals';
import { remembered } from '../data/remembered';
import { schoolOf } from '../data/gathered';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
import { SideMark } from '../ui/side-mark';
import { BellRinger } from './bell-ringer';
import { ClassEnd } from './class-end';
import { ClassRoom } from './class-room';
import { classWrites } from './class-save';
import { ClassTime } from './class-time';
import { ClassWork, type ClassChange, type ClassUnderWay } from './class-work';
import { EndForm, type EndAnswers } from './end-form';
import { HallFigure } from './hall-figure';
import { heldHere } from './held-here';
import { SaidList } from './said-list';
import { ScreenAwake } from './screen-awake';
import { Speaker } from './speaker';

const SeenAsSchema = z.enum(seenAs);
/** Conducts a routine, readable from three metres; everything pressed is kept in a journal at once. */
@Component({
  selector: 'pk-conductor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, ClassEnd, ClassRoom, ClassTime, EndForm, HallFigure, RouterLink, SaidList, SideMark],
  templateUrl: './conductor.html',
  styleUrl: './conductor.scss',
  host: { '(document:keydown)': 'onKey($event)' },
})
export class Conductor {
  private readonly router = inject(Router);
  private readonly clock = inject(Clock);
  private readonly store = inject(Store);
  protected readonly journals = inject(Journals);
  private readonly repository = inject(Repository);
  private readonly awake = inject(ScreenAwake);
  protected readonly ringer = inject(BellRinger);
  protected readonly speaker = inject(Speaker);
  readonly journalId = input.required<string>();
  private readonly endForm = viewChild(EndForm);
  private readonly classEnd = viewChild(ClassEnd);
  private readonly held = heldHere();
  /** Whether this tab conducts it. */
  protected readonly here = this.held.here;

  private readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });
  private readonly students = toSignal(this.repository.students$, { initialValue: [] });
  private readonly schools = toSignal(this.repository.schools$, { initialValue: [] });
  private readonly classes = toSignal(this.repository.classes$, { initialValue: [] });
  private readonly chains = toSignal(this.repository.chains$, { initialValue: [] });
  protected readonly journal = signal<Journal | null | undefined>(undefined);
  protected readonly now = signal(this.clock.now().getTime());
  protected readonly ending = signal(false);

  protected readonly shelf = computed(() => new Map(this.exercises().map((exercise) => [exercise.id, exercise])));
  /** It stays the same while presses are kept. */
  private readonly routine = computed(() => this.journal()?.routine ?? null);
  protected readonly line = computed(() => {
    const routine = this.routine();
    return routine === null ? null : timeline(routine);
  });
  protected readonly state = computed(() => conduct(this.line()!, this.journal()!.events, this.now()));
  protected readonly begun = computed(() => this.journal()!.events.length > 0);
  protected readonly moment = computed(() =>
    momentOf(this.journal()!.routine, this.line()!, this.state(), this.shelf(), this.school(), this.cues()),
  );
  private readonly studentId = computed(() => this.journal()?.studentId ?? null);
  private readonly corrections = toSignal(
    toObservable(this.studentId).pipe(
      switchMap((id) => (id === null ? of([]) : this.repository.ofStudent('corrections', id))),
    ),
    { initialValue: [] },
  );
  /** Checkpoints that the student is being corrected for: their cues come first. */
  private readonly inWork = computed(() => {
    const all = this.corrections();
    const ids = [...new Set(all.map(({ checkpointId }) => checkpointId))];
    return new Set(pointsInWork(all, ids, this.clock.today()).map(({ checkpointId }) => checkpointId));
  });
  private readonly logs = toSignal(
    toObservable(this.studentId).pipe(
      switchMap((id) => (id === null ? of(null) : this.repository.ofStudent('logs', id))),
    ),
    { initialValue: null },
  );
  /** Which checkpoint is up when: it goes on from the last practice, where nobody is known from the last day. */
  private readonly cues = computed(() => {
    const logs = this.logs();
    const today = dayNumber(this.clock.today());
    return cuePlan(this.routine()!, this.line()!, this.shelf(), this.school(), {
      inWork: this.inWork(),
      before: (exerciseId) => (logs === null ? today : timesDone(logs, exerciseId)),
    });
  });
  protected readonly who = computed(() => this.students().find((student) => student.id === this.journal()?.studentId));
  protected readonly school = computed(() =>
    schoolOf(this.schools(), this.who()?.schoolId ?? this.journal()?.routine.schoolId),
  );
  private readonly underWay = computed((): ClassUnderWay | null => {
    const [journal, line] = [this.journal(), this.line()];
    if (journal?.group == null || line === null) return null;
    const { group, routine } = journal;
    return { group, routine, line, state: this.state(), shelf: this.shelf(), school: this.school(), now: this.now() };
  });
  /** The people of the class that is conducted. */
  protected readonly work = new ClassWork(this.underWay, (change) => this.amend(change));
  private readonly looks = remembered('hall-figure');
  /** How the figure is seen: as in a mirror until it is turned. */
  protected readonly seenAs = computed((): SeenAs => SeenAsSchema.catch('mirror').parse(this.looks.value()));
  protected readonly seenWords: Readonly<Record<SeenAs, string>> = {
    mirror: 'seen as in a mirror',
    facing: 'seen facing you',
    behind: 'seen from behind',
  };
  protected readonly body = computed(() => bodyOfStudent(this.who() ?? null).body);
  /** The exercise that is being done, with where it is; in a rest the one that comes, as it begins; null where none does. */
  protected readonly shownNow = computed(() =>
    shownNow(this.journal()!.routine, this.line()!, this.state(), this.shelf()),
  );

  /** What is called aloud, and when. */
  protected readonly calls = computed(() => {
    const { words, cues, parts } = this.speaker.settings();
    const [routine, line, shelf, school] = [this.routine()!, this.line()!, this.shelf(), this.school()];
    return hallCalls(routine, line, words, { cues, parts }, shelf, school, this.cues());
  });

  /** Whether the list of what is said is open. */
  protected readonly listed = signal(false);

  protected turnRound(): void {
    this.looks.set(seenAs[(seenAs.indexOf(this.seenAs()) + 1) % seenAs.length]!);
  }

  protected readonly wholeLeft = computed(() => clock(leftOf(this.line()!, this.state()) / 1000));
  /** The routine as blocks of its length, and how far it has come. */
  protected readonly blocks = computed(() => {
    const line = this.line()!;
    return line.spans
      .filter((span) => span.durationMs > 0)
      .map((span) => ({
        index: span.index,
        work: span.amount > 0,
        side: span.side,
        flex: span.durationMs / line.totalMs,
      }));
  });

  constructor() {
    let laid = '';
    let seen = 0;
    let rung = 0;
    let ended = false;
    effect(() => {
      const id = this.journalId();
      untracked(() => {
        this.held.begin(id);
        void this.open(id);
      });
    });
    effect(() => {
      if (this.here()) return;
      untracked(() => {
        this.ringer.silence();
        this.awake.release();
      });
    });
    const timer = setInterval(() => {
      const journal = this.journal();
      const now = this.clock.now().getTime();
      if (journal === null || journal === undefined || journal.events.length === 0 || !this.here()) return;
      if (this.state().running && now - this.now() > ASLEEP_MS) this.record('pause', this.now());
      this.now.set(now);
      const { running, finished } = this.state();
      if (finished && journal.seenAt < now && !ended) {
        ended = true;
        void this.journals.put({ ...journal, seenAt: now });
      }
      if (!running) return;
      if (now - seen > SEEN_EVERY_MS) {
        seen = now;
        void this.journals.put({ ...journal, seenAt: now });
      }
      if (now - rung > RING_EVERY_MS) {
        rung = now;
        this.ringer.goOn(this.bellsNow());
      }
    }, TICK_MS);
    let said: Pick<ConductState, 'spanIndex' | 'offsetMs'> | null = null;
    effect(() => {
      if (this.line() === null || !this.begun() || !this.speaker.speaks()) return;
      const { running, finished, spanIndex, offsetMs } = this.state();
      const text = running || finished ? callNow(this.calls(), said, { spanIndex, offsetMs }) : null;
      said = { spanIndex, offsetMs };
      if (text !== null) untracked(() => this.speaker.say(text));
    });
    effect(() => {
      if (this.line() === null) return;
      const { running, taps } = this.state();
      const key = `${running} ${taps !== null} ${this.journal()!.events.length} ${this.ringer.muted()}`;
      if (key === laid) return;
      laid = key;
      untracked(() => {
        this.layBells();
        if (running) this.awake.keep();
        else this.awake.release();
        if (!running && !this.state().finished) this.speaker.silence();
      });
    });
    inject(DestroyRef).onDestroy(() => {
      clearInterval(timer);
      this.ringer.silence();
      this.speaker.silence();
      this.awake.release();
      const journal = this.journal();
      if (journal !== null && journal !== undefined && this.here() && this.state().running) this.record('pause');
    });
  }

  protected onKey(event: KeyboardEvent): void {
    if (this.line() === null || !this.here() || this.state().finished || event.ctrlKey || event.metaKey || event.altKey)
      return;
    if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return;
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    const action = hallKeys[key];
    if (event.key === ' ') this.toggle();
    else if (action !== undefined) this.press(action);
    else if (key === 'm') this.ringer.muted.update((muted) => !muted);
    else if (key === 'f') this.fullScreen();
    else if (key === 'v') this.turnRound();
    else if (key === 's') this.speaker.change({ on: !this.speaker.settings().on });
    else if (key === 'Escape') this.ending.update((ending) => !ending);
    else if (!this.work.press(key)) return;
    event.preventDefault();
  }

  protected toggle(): void {
    void this.ringer.wake().then(() => this.layBells());
    if (!this.begun()) this.record('start');
    else this.record(this.state().running ? 'pause' : 'resume');
  }

  protected press(action: JournalEvent['action']): void {
    if (!this.begun()) return;
    // Of a class it would not be known whose.
    if (action === 'lost' && this.journal()!.group !== null) return;
    if (action === 'loosen' && this.school().fatigueRule !== 'ease') return;
    this.record(action);
  }

  protected fullScreen(): void {
    if (!document.fullscreenElement) void document.documentElement.requestFullscreen().catch(() => undefined);
    else void document.exitFullscreen();
  }

  /** The exercises of the practice in their order, for an effort set apart. */
  protected readonly parts = computed(() =>
    (this.journal()?.routine.segments ?? []).flatMap((segment) =>
      segment.type === 'exercise'
        ? [{ segmentId: segment.id, name: this.shelf().get(segment.exerciseId)?.name ?? 'An exercise that is gone' }]
        : [],
    ),
  );

  /** What is done otherwise for this student where the practice is now, and why. */
  protected readonly caresNow = computed(() => {
    const segmentId = this.line()?.spans[this.state().spanIndex]?.segmentId;
    return (this.journal()?.cares ?? []).filter((care) => care.segmentId === segmentId).map(({ words }) => words);
  });

  /** Holds that fell short or lost their alignment: what gave out may be said of each. */
  protected readonly short = computed(() => {
    const [journal, line] = [this.journal(), this.line()];
    if (journal === null || journal === undefined || line === null || !this.state().finished) return [];
    const lines = logLines(journal.routine, line, this.state(), this.shelf()).filter(fellShort);
    return [
      ...new Map(lines.map(({ segmentId, exerciseName }) => [segmentId, { segmentId, name: exerciseName }])).values(),
    ];
  });

  protected async save(answers: EndAnswers): Promise<void> {
    const [journal, line] = [this.journal(), this.line()];
    if (journal === null || journal === undefined || line === null) return;
    const log = practiceLog(journal, line, this.state(), this.shelf(), answers, this.clock.now(), (moment) =>
      this.clock.dayOf(moment),
    );
    if (log !== null) {
      const label = `Practice of ${this.who()?.name ?? 'a student'}`;
      // Where it is kept already, only the way out failed the last time.
      const kept = await this.repository.has('logs', log.id);
      if (!kept && !(await this.kept(this.store.write(label, [{ table: 'logs', add: log }])))) return;
    }
    await this.leave(journal);
  }

  /** The meeting, each person's log and corrections, and where the class is in its chain: one step. */
  protected async saveClass(answers: ClassAnswers): Promise<void> {
    const journal = this.journal();
    if (journal?.group == null) return;
    const known = { shelf: this.shelf(), students: this.students(), classes: this.classes(), chains: this.chains() };
    const writes = classWrites(journal, answers, known, {
      now: this.clock.now().getTime(),
      dayOf: (moment) => this.clock.dayOf(moment),
      newId: () => this.clock.newId(),
    });
    // Where it is kept already, only the way out failed the last time.
    const kept = await this.repository.has('meetings', journal.id);
    if (!kept && !(await this.kept(this.store.write(`Class: ${journal.group.name}`, writes)))) return;
    await this.leave(journal);
  }

  /** Something about the people of the class: who is here, who was corrected, what was seen. */
  protected amend(change: ClassChange): void {
    this.put((journal) => {
      const group = journal.group === null ? null : change(journal.group);
      return group === journal.group ? journal : { ...journal, group, seenAt: this.seenNow(journal) };
    });
  }

  /** The class goes on in a shorter routine, or in the whole again. */
  protected goOver({ routine, whole }: { readonly routine: Routine; readonly whole: Routine | null }): void {
    this.put((journal) =>
      journal.group === null
        ? journal
        : { ...journal, routine, group: { ...journal.group, whole }, seenAt: this.seenNow(journal) },
    );
    this.layBells();
  }

  /** The last moment at which the practice was seen running, epoch milliseconds. */
  private seenNow({ seenAt }: Journal): number {
    return this.state().running || this.state().finished ? Math.max(seenAt, this.now()) : seenAt;
  }

  /** This tab conducts it from now on, from where it is. */
  protected async takeOver(): Promise<void> {
    await this.held.takeOver(this.journalId());
    await this.open(this.journalId());
  }

  protected async discard(): Promise<void> {
    const journal = this.journal();
    if (journal !== null && journal !== undefined)
      await this.leave(journal, () => this.journals.discard(journal, journal.routine.name));
  }

  /** Whether it could be written; if not, the store has said why, and everything is still here. */
  private kept(write: Promise<void>): Promise<boolean> {
    return write.then(
      () => true,
      () => false,
    );
  }

  private async leave(journal: Journal, letGo = () => this.journals.drop(journal.id)): Promise<void> {
    this.endForm()?.draft.clear();
    this.classEnd()?.draft.clear();
    await letGo();
    this.journal.set(null);
    if (document.fullscreenElement) await document.exitFullscreen();
    if (journal.group !== null) await this.router.navigate(['/classes', journal.group.classId]);
    else await this.router.navigate(journal.studentId === null ? ['/routines'] : ['/students', journal.studentId]);
  }

  private async open(id: string): Promise<void> {
    const journal = await this.journals.read(id);
    this.now.set(this.clock.now().getTime());
    this.journal.set(journal);
    // The page was closed or reloaded while it ran: stand still from the last moment it was seen.
    if (
      journal !== null &&
      journal.events.length > 0 &&
      conduct(timeline(journal.routine), journal.events, journal.seenAt).running
    ) {
      this.record('pause', journal.seenAt);
    }
  }

  /** The bells to come, counted from this moment. */
  private bellsNow(): Bell[] {
    return bells(this.line()!, conduct(this.line()!, this.journal()!.events, this.clock.now().getTime()));
  }

  private layBells(): void {
    if (this.line() !== null && this.begun()) this.ringer.lay(this.bellsNow());
  }

  private record(action: JournalEvent['action'], at = this.clock.now().getTime()): void {
    this.now.set(Math.max(at, this.clock.now().getTime()));
    this.put((journal) => ({ ...journal, events: [...journal.events, { at, action }], seenAt: at }));
  }

  private put(change: (journal: Journal) => Journal): void {
    const journal = this.journal();
    if (journal === null || journal === undefined || !this.here()) return;
    const after = change(journal);
    if (after === journal) return;
    this.journal.set(after);
    void this.journals.put(after);
  }
}
