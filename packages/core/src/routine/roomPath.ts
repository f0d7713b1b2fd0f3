import type { Exercise } from '../library/exercise';
import { laps } from './laps';
import { rounds } from './rounds';
import { runsOutAt, stepsThatFit, walkPath, type Place, type Room, type Step } from './room';
import type { ExerciseSegment, Routine } from './routine';

/** The body that the travel of an exercise is written for, m. */
const WRITTEN_FOR = 1.7;
/** What an arm's swing needs to every wall, m; a house value. */
export const ROOM_MARGIN = 0.6;

export interface PathPiece {
  readonly segmentId: string;
  readonly places: readonly Place[];
  /** The step after which the floor ends, from 0; null while it is enough. */
  readonly runsOutAt: number | null;
  /** How many steps like its first fit from where it begins. */
  readonly fits: number;
}
export interface RoomPath {
  readonly room: Room;
  readonly pieces: readonly PathPiece[];
  /** How far from the start one ends, m. */
  readonly awayAtEnd: number;
}

/** The steps of a segment: each repetition travels; the left side goes as the mirror image, a reversed one back. */
export function stepsOfSegment(segment: ExerciseSegment, exercise: Exercise, stature: number): Step[] {
  const { travel } = exercise;
  if (travel === null || segment.dose.kind !== 'cycle') return [];
  const scale = stature / WRITTEN_FOR;
  return rounds(segment.dose, segment.sideOrder).flatMap(({ side, direction, amount }) => {
    const sign = side === 'left' ? -1 : 1;
    const back = direction === 'reversed' ? -1 : 1;
    const step: Step = {
      right: sign * back * travel.out * scale,
      forward: back * travel.forward * scale,
      turnDeg: sign * travel.turnDeg,
    };
    return Array.from({ length: Math.floor(amount + 1e-9) }, () => step);
  });
}

/**
 * The way of a routine over the floor of its room, from the middle, facing the front; what does not
 * travel leaves no trace. Null without a room.
 * @param stature of who walks it, m
 */
export function roomPath(routine: Routine, exercises: ReadonlyMap<string, Exercise>, stature: number): RoomPath | null {
  if (routine.room === null) return null;
  const room: Room = { ...routine.room, margin: Math.min(ROOM_MARGIN, routine.room.width / 4, routine.room.depth / 4) };
  const start: Place = { x: room.width / 2, y: room.depth / 2, facingDeg: 0 };
  let here = start;
  const pieces: PathPiece[] = [];
  for (const { segment } of laps(routine)) {
    const exercise = segment.type === 'exercise' ? exercises.get(segment.exerciseId) : undefined;
    if (segment.type !== 'exercise' || exercise === undefined) continue;
    const steps = stepsOfSegment(segment, exercise, stature);
    if (steps.length === 0) continue;
    const places = walkPath(here, steps);
    pieces.push({
      segmentId: segment.id,
      places,
      runsOutAt: runsOutAt(room, places),
      fits: stepsThatFit(room, here, steps[0]!, 200),
    });
    here = places.at(-1)!;
  }
  return { room, pieces, awayAtEnd: Math.hypot(here.x - start.x, here.y - start.y) };
}
