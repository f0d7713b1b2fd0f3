import { allCheckpoints } from '../alignment/checkpoints';
import { stillPose } from '../figure/figurePose';
import type { Exercise } from '../library/exercise';
import { builtInExercises } from '../library/builtInExercises';
import type { School } from '../schools/school';
import { spokenCheckpoint } from '../schools/spokenCheckpoint';
import { spokenExercise } from '../schools/spokenLine';
import { bodyOfStudent } from '../students/studentBody';
import type { MeasureOf } from '../students/measure';
import type { Student } from '../students/student';
import { judgedByFigures } from './judged';
import type { StillReading, StillTerms } from './readStill';
import { isSideView, type Still } from './still';

const plain = builtInExercises.find(({ id }) => id === 'neutral-stance')!;

/** What a still of a student is read with: the body, the posture and the checkpoints in the words of the school. */
export function stillTerms(
  still: Pick<Still, 'from' | 'working'>,
  student: Student,
  exercise: Exercise | null,
  school: School,
): StillTerms {
  const { body } = bodyOfStudent(student);
  const { footCm, statureCm } = student;
  const drill = exercise ?? plain;
  const working = isSideView(still.from) ? still.from : still.working;
  return {
    body,
    known: isSideView(still.from) && footCm !== null ? 'measured' : statureCm !== null ? 'stature' : 'nothing',
    pose: stillPose(body, drill.posture, school, working, isSideView(still.from)),
    asked: exercise !== null,
    checkpoints:
      exercise === null
        ? allCheckpoints()
            .filter(({ id }) => judgedByFigures(id))
            .map((point) => spokenCheckpoint(point, point, school))
        : spokenExercise(exercise, school, exercise.twoSided ? still.working : 'both').checkpoints,
  };
}

type TestStance = MeasureOf<'hold'>['stance'];

/** The stance of a test hold as a still shows it, what it does not show as it was meant; null where the knee was not read. */
export function stanceSeen({ figures }: Pick<StillReading, 'figures'>, meant: TestStance): TestStance | null {
  const seen = (id: string, least: number, most: number): number | null => {
    const figure = figures.find((entry) => entry.id === id);
    return figure === undefined ? null : Math.round(Math.max(least, Math.min(most, figure.value)));
  };
  const kneeBendDeg = seen('knee bend', 0, 150);
  if (kneeBendDeg === null) return null;
  return {
    ...meant,
    kneeBendDeg,
    trunkPitchDeg: seen('trunk lean', -30, 100) ?? meant.trunkPitchDeg,
    shoulderRaiseDeg: seen('arm raised', 0, 180) ?? meant.shoulderRaiseDeg,
    elbowBendDeg: seen('elbow bend', 0, 160) ?? meant.elbowBendDeg,
  };
}
