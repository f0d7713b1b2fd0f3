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
  clock,
  Hall,
  cuePlan,
  dayNumber,
  shownNow,
  fellShort,
  firmSegments,
  hallActionOf,
  hallCalls,
  leftOf,
  logLines,
  momentOf,
  pointsInWork,
  bodyOfStudent,
  practiceLog,
  testedStands,
  seenAs,
  timesDone,
  type Call,
  type ClassAnswers,
  type HallDevices,
  type Journal,
  type JournalEvent,
  type Recordings,
  type Routine,
  type SeenAs,
} from '@pomek/core';
import { every } from '@pomek/device';
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
import { CountedPipe } from '../ui/counted.pipe';

const SeenAsSchema = z.enum(seenAs);
/** Conducts a routine, readable from three metres; everything pressed is kept in a journal at once. */
@Component({
  selector: 'pk-conductor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, ClassEnd, ClassRoom, ClassTime, CountedPipe, EndForm, HallFigure, RouterLink, SaidList, SideMark],
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
  /** What conducts it; null where there is nothing to conduct, undefined while it is read. */
  private readonly hall = signal<Hall | null | undefined>(undefined);
  /** Grows with every change of the hall. */
  private readonly changes = signal(0);
  /** The hall as it is now. */
  protected readonly live = computed(() => {
    this.changes();
    const hall = this.hall();
    return hall == null ? hall : { journal: hall.journal, line: hall.line, state: hall.state, now: hall.now };
  });
  protected readonly journal = computed((): Journal | null | undefined => {
    const live = this.live();
    return live == null ? live : live.journal;
  });
  protected readonly ending = signal(false);

  protected readonly shelf = computed(() => new Map(this.exercises().map((exercise) => [exercise.id, exercise])));
  /** It stays the same while presses are kept. */
  private readonly routine = computed(() => this.journal()?.routine ?? null);
  protected readonly line = computed(() => this.live()?.line ?? null);
  protected readonly state = computed(() => this.live()!.state);
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
    return {
      group,
      routine,
      line,
      state: this.state(),
      shelf: this.shelf(),
      school: this.school(),
      now: this.live()!.now,
    };
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
  protected readonly calls = computed(() => this.callsWith(this.speaker.recorded()));
  /** The same if nothing were recorded. */
  protected readonly plainCalls = computed(() => this.callsWith(new Map()));

  private callsWith(recorded: Recordings): Call[] {
    const { words, cues, parts } = this.speaker.settings();
    const [routine, line, shelf, school] = [this.routine()!, this.line()!, this.shelf(), this.school()];
    return hallCalls(routine, line, words, { cues, parts }, shelf, school, this.cues(), recorded);
  }

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
    effect(() => {
      const id = this.journalId();
      untracked(() => {
        this.held.begin(id);
        void this.open(id);
      });
    });
    // Where another tab conducts it, nothing is heard and kept here.
    effect(() => {
      if (!this.here()) untracked(() => this.hall()?.close(false));
    });
    effect(() => {
      const hall = this.hall();
      if (hall != null) hall.says(this.speaker.speaks() ? this.calls() : null);
    });
    effect(() => {
      this.ringer.muted();
      untracked(() => this.hall()?.layBells());
    });
    inject(DestroyRef).onDestroy(() => this.hall()?.close(this.here()));
  }

  protected onKey(event: KeyboardEvent): void {
    if (this.line() === null || !this.here() || this.state().finished || event.ctrlKey || event.metaKey || event.altKey)
      return;
    if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return;
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    const action = hallActionOf(key);
    if (action === 'toggle') this.toggle();
    else if (action !== null) this.press(action);
    else if (key === 'm') this.ringer.muted.update((muted) => !muted);
    else if (key === 'f') this.fullScreen();
    else if (key === 'v') this.turnRound();
    else if (key === 's') this.speaker.change({ on: !this.speaker.settings().on });
    else if (key === 'Escape') this.ending.update((ending) => !ending);
    else if (!this.work.press(key)) return;
    event.preventDefault();
  }

  protected toggle(): void {
    this.hall()?.toggle();
  }

  protected press(action: JournalEvent['action']): void {
    // Of a class it would not be known whose.
    if (action === 'lost' && this.journal()!.group !== null) return;
    if (action === 'loosen' && this.school().fatigueRule !== 'ease') return;
    this.hall()?.press(action);
  }

  protected fullScreen(): void {
    if (!document.fullscreenElement) void document.documentElement.requestFullscreen().catch(() => undefined);
    else void document.exitFullscreen();
  }

  /** The exercises of the practice in their order, for an effort set apart. */
  protected readonly parts = computed(() =>
    (this.journal()?.routine.segments ?? []).flatMap((segment) =>
      segment.type === 'exercise'
        ? [{ segmentId: segment.id, name: this.shelf().get(segment.exerciseId)?.name ?? 'Deleted exercise' }]
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

  /** Exercises in which hands or steps were to be more or less firm. */
  protected readonly firm = computed(() => {
    const journal = this.journal();
    return journal === null || journal === undefined ? [] : firmSegments(journal.routine, this.shelf());
  });

  /** Exercises that stand, in which hands may have tested it. */
  protected readonly stands = computed(() => {
    const journal = this.journal();
    return journal === null || journal === undefined ? [] : testedStands(journal.routine, this.shelf());
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
    this.hall()?.amend((journal) => {
      const group = journal.group === null ? null : change(journal.group);
      return group === journal.group ? journal : { ...journal, group };
    });
  }

  /** The class goes on in a shorter routine, or in the whole again. */
  protected goOver({ routine, whole }: { readonly routine: Routine; readonly whole: Routine | null }): void {
    this.hall()?.amend((journal) =>
      journal.group === null ? journal : { ...journal, routine, group: { ...journal.group, whole } },
    );
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
    this.hall()?.close(false);
    await letGo();
    this.hall.set(null);
    if (document.fullscreenElement) await document.exitFullscreen();
    if (journal.group !== null) await this.router.navigate(['/classes', journal.group.classId]);
    else await this.router.navigate(journal.studentId === null ? ['/routines'] : ['/students', journal.studentId]);
  }

  private async open(id: string): Promise<void> {
    this.hall()?.close(false);
    const journal = await this.journals.read(id);
    const hall = journal === null ? null : new Hall(this.devices, journal);
    if (!this.here()) hall?.close(false);
    this.hall.set(hall);
  }

  private readonly devices: HallDevices = {
    now: () => this.clock.now().getTime(),
    steady: () => performance.now(),
    every,
    ringer: this.ringer,
    voice: this.speaker,
    awake: this.awake,
    keep: (journal) => {
      if (this.here()) void this.journals.put(journal);
    },
    changed: () => this.changes.update((count) => count + 1),
  };
}
