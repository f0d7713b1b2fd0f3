import type { Checkpoint } from '../alignment/checkpoint';
import { catalogued } from '../alignment/checkpoints';
import { begunAt, cueOrder } from '../alignment/cueOrder';
import { cycleParts } from '../library/cycleParts';
import type { Exercise } from '../library/exercise';
import type { ExerciseSegment, Routine } from '../routine/routine';
import { spanRepetition } from '../routine/spanRepetition';
import type { Span, Timeline } from '../routine/timeline';
import { segmentDrill, stageOf } from '../routine/turned';
import { pointsIn } from '../schools/pointsIn';
import type { School } from '../schools/school';

/** A checkpoint that comes up in a span. */
export interface Cue {
  /** From the beginning of the span, ms; until the next one. */
  readonly fromMs: number;
  readonly checkpointId: string;
}
/** The cues of a practice in their order, by the index of their span. */
export type CuePlan = ReadonlyMap<number, readonly Cue[]>;

/** For whom the cues of a practice are chosen. */
export interface CuedFor {
  /** Ids of checkpoints that the student is being corrected for. */
  readonly inWork: ReadonlySet<string>;
  /** How often an exercise was practised before: its points go on from there. */
  readonly before: (exerciseId: string) => number;
}
export const cuedForNobody: CuedFor = { inWork: new Set(), before: () => 0 };

/** How long one checkpoint stays up, ms; how long a hold has one only; what is left of a span to take one in. House choices. */
const [STAY_MS, SHORT_HOLD_MS, LEAST_MS] = [20_000, 40_000, 2_000];
/** A part of a repetition from this length on takes the points that belong to it before all others, ms. House choice. */
const LONG_PART_MS = 10_000;
/** After one point that can hurt come so many others before the next. House choice. */
const BETWEEN_SAFETY = 2;
/** Corrections that a round begins with: one or two at a time (common practice). */
const CORRECTED_AT_ONCE = 2;

/** Beginnings of the parts of a repetition as shares of it, with what is looked at in each. */
interface PartOfRepetition {
  readonly from: number;
  readonly share: number;
  readonly points: readonly string[];
}

function partsOf(span: Span, drill: Exercise): PartOfRepetition[] {
  if (span.kind !== 'cycle') return [];
  let from = 0;
  return cycleParts(drill, span.direction).map(({ share, points }) => {
    const part = { from, share, points };
    from += share;
    return part;
  });
}

/** When a point may come up from a moment on, ms; null where its part does not come soon. */
function startOf(id: string, at: number, span: Span, parts: readonly PartOfRepetition[]): number | null {
  const own = parts.filter(({ points }) => points.includes(id));
  if (own.length === 0) return at;
  const { into, lengthMs } = spanRepetition(span, at + 1e-6);
  const begun = at - into * lengthMs;
  const starts = own.flatMap(({ from, share }) => {
    const [start, long] = [begun + from * lengthMs, share * lengthMs];
    // A long part that is on is long enough to take it in.
    const now = start <= at && at < start + long - LONG_PART_MS / 2 ? [at] : [];
    return [...now, start, start + lengthMs * span.slowing];
  });
  const next = Math.min(...starts.filter((start) => start >= at - 1));
  return next - at > STAY_MS ? null : Math.max(at, next);
}

/** The points of a long part that is on at a moment of a span. */
function pointsHere(span: Span, at: number, parts: readonly PartOfRepetition[]): readonly string[] {
  const { into, lengthMs } = spanRepetition(span, at + 1e-6);
  const here = parts.find(({ from, share }) => into >= from && into < from + share);
  return here !== undefined && here.share * lengthMs >= LONG_PART_MS ? here.points : [];
}

/** How many came up of what can hurt, and of all others. */
interface Taken {
  safety: number;
  other: number;
}
/** What is still to come up at a drill, each kind in its order. */
interface Queue {
  /** The drill, and the regions at which its stage looks. */
  readonly key: string;
  readonly exerciseId: string;
  readonly points: readonly Checkpoint[];
  /** Those that are not being corrected. */
  readonly ordinary: readonly Checkpoint[];
  corrected: readonly Checkpoint[];
  safety: readonly Checkpoint[];
  others: readonly Checkpoint[];
  /** How many came up since one that can hurt. */
  between: number;
  readonly taken: Taken;
}
/** The point that was up last, and how much longer it stays up after the end of its span, ms. */
interface Latest {
  readonly segmentId: string;
  readonly id: string;
  readonly leftMs: number;
}

const none: ReadonlySet<string> = new Set();
const isOwn = ({ id }: Checkpoint): boolean => catalogued(id) === undefined;

/** A list without the first of its entries that is this one. */
const without = <T>(list: readonly T[], entry: T): readonly T[] => list.toSpliced(list.indexOf(entry), 1);

/** The points of a drill that are not for safety: two of its own, then a general one, until each has come. */
function ownAndGeneral(points: readonly Checkpoint[]): Checkpoint[] {
  const [own, general] = [points.filter(isOwn), points.filter((point) => !isOwn(point))];
  if (own.length === 0) return general;
  const pairs = Math.max(general.length, Math.ceil(own.length / 2));
  return Array.from({ length: pairs }, (_, pair) => [
    own[(2 * pair) % own.length]!,
    ...(own.length > 1 ? [own[(2 * pair + 1) % own.length]!] : []),
    ...general.slice(pair, pair + 1),
  ]).flat();
}

/** Goes through a practice once, span by span. */
class CueWalk {
  readonly plan = new Map<number, readonly Cue[]>();
  readonly queues = new Map<string, Queue>();
  /** What can hurt is said once: of one drill, and what holds for all of them once in the practice. */
  private readonly said = new Set<string>();
  private latest: Latest | null = null;

  /** @param turns how far the points of an exercise have gone on before */
  constructor(
    private readonly school: School,
    private readonly inWork: ReadonlySet<string>,
    private readonly turns: (key: string, exerciseId: string) => Taken,
  ) {}

  pass(span: Span, segment: ExerciseSegment, exercise: Exercise): void {
    const queue = this.queueOf(exercise, segment);
    if (queue.points.length === 0) return;
    const parts = partsOf(span, segmentDrill(segment, exercise));
    const cues = span.amount === 0 ? this.takingUp(queue) : this.working(span, parts, queue);
    if (cues.length > 0) this.plan.set(span.index, cues);
  }

  /** Each stage of a drill has its own, as far as it looks at other points. */
  private queueOf(exercise: Exercise, segment: ExerciseSegment): Queue {
    const stage = stageOf(segment, exercise);
    const { id } = exercise;
    const key = stage === null ? id : `${id} ${stage.moves} ${stage.regions.join()}`;
    const known = this.queues.get(key);
    if (known !== undefined) return known;
    const points = cueOrder(pointsIn(exercise.checkpoints, this.school, this.inWork, stage), none, 0);
    const ordinary = points.filter((point) => !this.inWork.has(point.id));
    const queue: Queue = {
      key,
      exerciseId: id,
      points,
      ordinary,
      corrected: points.filter((point) => this.inWork.has(point.id)),
      safety: begunAt(
        ordinary.filter(({ safety }) => safety),
        this.turns(key, id).safety,
      ),
      others: this.others(ordinary, key, id),
      between: BETWEEN_SAFETY,
      taken: { safety: 0, other: 0 },
    };
    this.queues.set(key, queue);
    return queue;
  }

  /** Where a drill has none but for safety, these come again and again. */
  private others(points: readonly Checkpoint[], key: string, exerciseId: string): Checkpoint[] {
    const all = ownAndGeneral(points.filter(({ safety }) => !safety));
    return all.length > 0 ? begunAt(all, this.turns(key, exerciseId).other) : [...points];
  }

  /** While a drill is taken up, the first that will come is up. */
  private takingUp(queue: Queue): Cue[] {
    return [{ fromMs: 0, checkpointId: (queue.corrected[0] ?? this.ordinary(queue)[0] ?? queue.points[0]!).id }];
  }

  /** What comes up besides corrections, in its order: one that can hurt, then two others. */
  private ordinary(queue: Queue): readonly Checkpoint[] {
    const safety = queue.safety.filter(({ id }) => !this.said.has(id));
    return queue.between >= BETWEEN_SAFETY ? [...safety, ...queue.others] : [...queue.others, ...safety];
  }

  private working(span: Span, parts: readonly PartOfRepetition[], queue: Queue): Cue[] {
    // Where sides take turns a point stays up as long as elsewhere.
    const goesOn = span.turn > 1 && this.latest?.segmentId === span.segmentId ? this.latest : null;
    const cues: Cue[] = goesOn === null ? [] : [{ fromMs: 0, checkpointId: goesOn.id }];
    const ahead = span.turn > 1 ? [] : queue.corrected.slice(0, CORRECTED_AT_ONCE);
    queue.corrected = [...queue.corrected.slice(ahead.length), ...ahead];
    const most = span.kind === 'hold' && span.durationMs <= SHORT_HOLD_MS ? 1 : Infinity;
    let at = goesOn?.leftMs ?? 0;
    while (at <= span.durationMs - LEAST_MS && cues.length < most) {
      const next = this.next(span, at, parts, ahead, queue);
      if (next === null) break;
      cues.push({ fromMs: Math.round(next.start), checkpointId: next.point.id });
      at = next.start + STAY_MS;
    }
    const id = cues.at(-1)?.checkpointId;
    this.latest =
      id === undefined ? null : { segmentId: span.segmentId, id, leftMs: Math.max(0, at - span.durationMs) };
    return cues;
  }

  /** Takes the point that comes up next from a moment on. */
  private next(
    span: Span,
    at: number,
    parts: readonly PartOfRepetition[],
    ahead: Checkpoint[],
    queue: Queue,
  ): { readonly point: Checkpoint; readonly start: number } | null {
    if (queue.others.length === 0) queue.others = this.others(queue.ordinary, queue.key, queue.exerciseId);
    const here = pointsHere(span, at, parts);
    let chosen: { readonly point: Checkpoint; readonly start: number } | null = null;
    for (const point of [...ahead, ...this.ordinary(queue)]) {
      const start = startOf(point.id, at, span, parts);
      if (start === null || start > span.durationMs - LEAST_MS) continue;
      const now = start === at && here.includes(point.id);
      if (chosen === null || now) chosen = { point, start };
      // What belongs to a long part that is on goes before all others.
      if (here.length === 0 || now) break;
    }
    if (chosen !== null) this.take(chosen.point, ahead, queue);
    return chosen;
  }

  private take(point: Checkpoint, ahead: Checkpoint[], queue: Queue): void {
    if (ahead.includes(point)) {
      ahead.splice(ahead.indexOf(point), 1);
      return;
    }
    if (point.safety && queue.safety.includes(point)) {
      queue.safety = without(queue.safety, point);
      queue.between = 0;
      queue.taken.safety += 1;
      this.said.add(point.id);
      return;
    }
    queue.others = without(queue.others, point);
    queue.between += 1;
    queue.taken.other += 1;
  }
}

function walked(routine: Routine, line: Timeline, shelf: ReadonlyMap<string, Exercise>, walk: CueWalk): CueWalk {
  for (const span of line.spans) {
    const segment = routine.segments[span.segmentIndex]!;
    const exercise = segment.type === 'exercise' ? shelf.get(segment.exerciseId) : undefined;
    if (segment.type === 'exercise' && exercise !== undefined && span.kind !== 'rest')
      walk.pass(span, segment, exercise);
  }
  return walk;
}

/**
 * Which checkpoint is up when, in a whole practice. Each round begins with what the student is being corrected for, in every
 * school. Then comes what can hurt, once, with two others between: the drill’s own points twice as often as the general ones.
 * All go on from where the last practice stopped, and each comes at the part of the movement to which it belongs. A short hold
 * has one only.
 */
export function cuePlan(
  routine: Routine,
  line: Timeline,
  shelf: ReadonlyMap<string, Exercise>,
  school: School,
  { inWork, before }: CuedFor = cuedForNobody,
): CuePlan {
  // How many a practice like this one takes is how far the last ones have gone on.
  const { queues } = walked(routine, line, shelf, new CueWalk(school, inWork, () => ({ safety: 0, other: 0 })));
  const turns = (key: string, exerciseId: string): Taken => {
    const { safety, other } = queues.get(key)?.taken ?? { safety: 0, other: 0 };
    const times = before(exerciseId);
    return { safety: safety * times, other: other * times };
  };
  return walked(routine, line, shelf, new CueWalk(school, inWork, turns)).plan;
}

/**
 * The checkpoint that is up at a moment of a span; null where none is. The first is up before its part begins, and what goes on
 * past its length begins again.
 */
export function cueAt(plan: CuePlan, span: Span, offsetMs: number): string | null {
  const cues = plan.get(span.index) ?? [];
  const at = span.durationMs > 0 && offsetMs >= span.durationMs ? offsetMs % span.durationMs : offsetMs;
  return (cues.findLast(({ fromMs }) => fromMs <= at) ?? cues[0])?.checkpointId ?? null;
}
