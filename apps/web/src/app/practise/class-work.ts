import { computed, effect, linkedSignal, untracked, type Signal } from '@angular/core';
import {
  apartWords,
  clock,
  correctionOrder,
  cueOrder,
  isThrough,
  placeWords,
  correctedIn,
  pointsIn,
  stageOf,
  stillWaiting,
  takesPart,
  turnNow,
  type Checkpoint,
  type ClassJournal,
  type ClassPerson,
  type ConductState,
  type Exercise,
  type ExerciseSegment,
  type OwnRung,
  type Routine,
  type School,
  type SeenPoint,
  type Timeline,
} from '@pomek/core';

/** So many checkpoints can be pressed with a digit. */
const BY_DIGIT = 9;

export type ClassChange = (group: ClassJournal) => ClassJournal;

/** A class that is conducted, at a moment. */
export interface ClassUnderWay {
  readonly group: ClassJournal;
  readonly routine: Routine;
  readonly line: Timeline;
  readonly state: ConductState;
  readonly shelf: ReadonlyMap<string, Exercise>;
  readonly school: School;
  /** Epoch milliseconds. */
  readonly now: number;
}

/** The people of a class while it is conducted: who does what otherwise now, whose turn it is, and what was seen of each. */
export class ClassWork {
  private readonly people = computed(() => this.of()?.group.people ?? []);
  private readonly visits = computed(() => this.of()?.group.visits ?? []);
  private readonly allSeen = computed(() => this.of()?.group.seen ?? []);
  private readonly span = computed(() => {
    const now = this.of();
    return now?.line.spans[now.state.spanIndex];
  });
  /** The exercise that the class does now. */
  private readonly segment = computed(() => {
    const segment = this.of()?.routine.segments[this.span()?.segmentIndex ?? -1];
    return segment?.type === 'exercise' ? segment : null;
  });
  private readonly here = computed(() => this.people().filter(({ from, to }) => from !== null && to === null));
  private readonly order = computed(() => correctionOrder(this.here()));
  private readonly turn = computed(() => {
    const [span, now] = [this.span(), this.of()];
    if (now === null || span?.kind !== 'hold' || now.state.finished) return null;
    const { index, durationMs } = span;
    const order = this.order()
      .filter((person) => takesPart(person, span.segmentId))
      .map(({ studentId }) => studentId);
    return turnNow(order, this.visits(), { index, durationMs, offsetMs: now.state.offsetMs });
  });
  private readonly turnId = computed(() => this.turn()?.studentId ?? null);
  /** Who is looked at: whose turn it is, until another one is chosen. */
  readonly selected = linkedSignal<string | null, string | null>({
    source: this.turnId,
    computation: (id, before) => id ?? before?.value ?? null,
  });

  readonly onNow = computed(() => {
    const turn = this.turn();
    if (turn === null) return null;
    const late = turn.secondsLeft < 0;
    return {
      name: this.nameOf(turn.studentId),
      left: clock(Math.ceil(Math.abs(turn.secondsLeft) - 1e-6)),
      late,
      each: Math.round(turn.each),
      then: turn.next === null ? 'the last in this hold' : `then ${this.nameOf(turn.next)}`,
    };
  });
  /** What is said where it is nobody's turn. */
  readonly idle = computed(() => {
    if (this.here().length === 0) return 'Nobody is here yet.';
    const ids = this.order().map(({ studentId }) => studentId);
    const left = stillWaiting(ids, this.visits()).map((id) => this.order().find(({ studentId }) => studentId === id)!);
    if (left.length === 0) return 'The round has been to everybody.';
    const hold = this.of()?.line.spans.find(({ kind, index }) => kind === 'hold' && index > (this.span()?.index ?? 0));
    const first = hold === undefined ? undefined : left.find((person) => takesPart(person, hold.segmentId));
    if (first === undefined) return 'No more corrections in this class.';
    const why = placeWords(first);
    return `In the next hold first: ${first.name}${why === '' ? '' : `, ${why}`}.`;
  });

  readonly rows = computed(() => {
    const [now, span, segment] = [this.of(), this.span(), this.segment()];
    const been = correctedIn(this.visits());
    return this.order().map((person) => {
      const rung = person.rungs.find(({ segmentId }) => segmentId === segment?.id);
      const own = rung?.own ?? null;
      return {
        id: person.studentId,
        name: person.name,
        apart: own === null && rung !== undefined ? 'left out' : apartOf(rung, segment, now),
        rests: now !== null && own !== null && span !== undefined && isThrough(own, span, now.state),
        been: been.has(person.studentId),
        turn: person.studentId === this.turnId(),
        seen: this.allSeen().filter(({ studentId }) => studentId === person.studentId).length,
      };
    });
  });
  /** What the one who is looked at does otherwise now, and why. */
  readonly apart = computed(() => {
    const [now, segment] = [this.of(), this.segment()];
    const rung = this.person()?.rungs.find(({ segmentId }) => segmentId === segment?.id);
    const words = apartOf(rung, segment, now);
    return rung === undefined || rung.own === null || rung.because === '' ? words : rung.because;
  });
  readonly absent = computed(() => this.people().filter(({ from, to }) => from === null || to !== null));

  readonly person = computed(() => this.here().find(({ studentId }) => studentId === this.selected()) ?? null);
  /** The checkpoints of what is done now, for the one who is looked at. */
  readonly points = computed((): Checkpoint[] => {
    const [now, person, segment] = [this.of(), this.person(), this.segment()];
    if (now === null || person === null || segment === null) return [];
    const exercise = now.shelf.get(segment.exerciseId);
    const inWork = new Set(person.inWork);
    if (exercise === undefined) return [];
    return cueOrder(pointsIn(exercise.checkpoints, now.school, inWork, stageOf(segment, exercise)), inWork, 0);
  });
  readonly choices = computed(() => {
    const inWork = new Set(this.person()?.inWork);
    return this.points().map((point, index) => ({
      point,
      digit: index < BY_DIGIT ? `${index + 1}` : '',
      inWork: inWork.has(point.id),
    }));
  });
  readonly seen = computed(() =>
    this.allSeen()
      .filter(({ studentId }) => studentId === this.selected())
      .toReversed(),
  );

  /**
   * To be made where things can be injected.
   * @param of what is conducted, as it is at this moment; null while no class is
   * @param change is told how the class changes
   */
  constructor(
    private readonly of: Signal<ClassUnderWay | null>,
    private readonly change: (change: ClassChange) => void,
  ) {
    /** The turn as it was a moment ago. */
    let last: { id: string; span: number; offset: number; left: number; each: number } | null = null;
    effect(() => {
      const [turn, span, offsetMs] = [this.turn(), this.span(), this.of()?.state.offsetMs ?? 0];
      const gone = last !== null && last.span !== span?.index ? last : null;
      last =
        turn === null || span === undefined
          ? null
          : { id: turn.studentId, span: span.index, offset: offsetMs, left: turn.secondsLeft, each: turn.each };
      untracked(() => {
        // Whoever had most of his or her time when the hold ended has been corrected.
        if (gone !== null && gone.left < gone.each / 2) this.visited(gone.id, gone.span, gone.offset);
        if (turn !== null && span !== undefined && turn.secondsLeft <= 0 && turn.next !== null)
          this.visited(turn.studentId, span.index, offsetMs);
      });
    });
  }

  /** Whether the key means something here; what it means is done. */
  press(key: string): boolean {
    const point = this.points()[Number(key) - 1];
    if (key === 'n') this.nextPerson();
    else if (key === 'h') this.judge(this.seen()[0], true);
    else if (key === 'a') this.judge(this.seen()[0], false);
    else if (/^[1-9]$/.test(key) && point !== undefined) this.see(point.id);
    else return false;
    return true;
  }

  /** The round goes on before the time of this one is over; who had less than half of it, and no word, was passed over. */
  nextPerson(): void {
    const [turn, span] = [this.turn(), this.span()];
    if (turn === null || span === undefined) return;
    const { studentId, secondsLeft, each } = turn;
    const passed = secondsLeft > each / 2 && !this.allSeen().some((seen) => seen.studentId === studentId);
    this.visited(studentId, span.index, this.of()?.state.offsetMs ?? 0, passed);
  }

  /** A checkpoint of the one who is looked at needs a word. */
  see(pointId: string): void {
    const [person, point] = [this.person(), this.points().find(({ id }) => id === pointId)];
    if (person === null || point === undefined) return;
    const { studentId } = person;
    const seen: SeenPoint = {
      at: this.now(),
      studentId,
      checkpointId: point.id,
      region: point.region,
      safety: point.safety,
      cue: point.cue,
      helped: null,
    };
    this.change((group) => ({ ...group, seen: [...group.seen, seen] }));
    // Out of turn it takes nothing off the time of whose turn it is.
    if (studentId !== this.turnId()) this.visited(studentId, this.span()?.index ?? 0, 0);
  }

  judge(of: SeenPoint | undefined, helped: boolean): void {
    if (of === undefined) return;
    const value = of.helped === helped ? null : helped;
    this.change((group) => ({
      ...group,
      seen: group.seen.map((entry) => (isSame(entry, of) ? { ...entry, helped: value } : entry)),
    }));
  }

  takeBack(of: SeenPoint): void {
    this.change((group) => ({ ...group, seen: group.seen.filter((entry) => !isSame(entry, of)) }));
  }

  come({ studentId }: ClassPerson): void {
    const now = this.now();
    this.change((group) => ({
      ...group,
      people: group.people.map((person) =>
        person.studentId === studentId ? { ...person, from: person.from ?? now, to: null } : person,
      ),
    }));
  }

  go({ studentId }: Pick<ClassPerson, 'studentId'>): void {
    const now = this.now();
    this.change((group) => ({
      ...group,
      people: group.people.map((person) => (person.studentId === studentId ? { ...person, to: now } : person)),
    }));
  }

  private now(): number {
    return this.of()?.now ?? 0;
  }

  private visited(studentId: string, spanIndex: number, offsetMs: number, passed = false): void {
    this.change((group) =>
      correctedIn(group.visits).has(studentId)
        ? group
        : { ...group, visits: [...group.visits, { studentId, spanIndex, offsetMs, passed }] },
    );
  }

  private nameOf(id: string): string {
    return this.people().find(({ studentId }) => studentId === id)?.name ?? '';
  }
}

function apartOf(rung: OwnRung | undefined, segment: ExerciseSegment | null, now: ClassUnderWay | null): string {
  return now === null || segment === null || rung === undefined ? '' : apartWords(rung, segment, now.shelf);
}

const isSame = (a: SeenPoint, b: SeenPoint): boolean =>
  a.at === b.at && a.studentId === b.studentId && a.checkpointId === b.checkpointId;
