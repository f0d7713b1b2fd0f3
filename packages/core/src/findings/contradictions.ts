import { percent } from '../words/percent';
import { isTimed, type Dose } from '../library/dose';
import { sideOrderWords } from '../library/sideOrder';
import type { Exercise, Posture } from '../library/exercise';
import type { Routine } from '../routine/routine';
import { standsOtherwise } from '../schools/changeOfSide';
import { conventionsOf } from '../schools/conventions';
import type { School } from '../schools/school';

/** Something of an exercise or a routine that its school does otherwise. */
export interface Contradiction {
  /** The school's question it goes against. */
  readonly question: keyof School;
  readonly text: string;
  /** How it is kept on purpose. */
  readonly key: string;
}

/** The name under which a school remembers that this is kept on purpose. */
export const contradictionKey = (thing: string, question: keyof School): string => `${thing}: ${question}`;

const NEAR = { pressure: 0.1, degrees: 10 } as const;
type Found = readonly [question: keyof School, text: string];

function againstPosture(posture: Posture, school: School): Found[] {
  const { pressurePoint, toesOutDeg } = conventionsOf(school);
  const found: Found[] = [];
  if (posture.pressurePoint !== null && Math.abs(posture.pressurePoint - pressurePoint) > NEAR.pressure) {
    found.push([
      'pressure',
      `presses at ${percent(posture.pressurePoint)} of the foot, the school at the ${school.pressure}`,
    ]);
  }
  const neutral = posture.ahead === 0 && posture.weightShare === 0.5 && !posture.seated;
  if (neutral && posture.toesOutDeg !== null && Math.abs(posture.toesOutDeg - toesOutDeg) > NEAR.degrees) {
    found.push(['toes', `turns the toes out ${posture.toesOutDeg}°, the school ${toesOutDeg}°`]);
  }
  return found;
}

function againstDose(dose: Dose, school: School): Found[] {
  const found: Found[] = [];
  if (dose.kind === 'breath') {
    const pause = Math.max(dose.pattern.fullPauseSeconds, dose.pattern.emptyPauseSeconds);
    const limit = conventionsOf(school).pauseLimitSeconds;
    if (pause > limit) {
      found.push([
        'pauses',
        `pauses ${pause} s in the breath, the school ${limit === 0 ? 'not at all' : `${limit} s at most`}`,
      ]);
    }
  }
  return found;
}

function againstCycle({ phases }: Pick<Exercise, 'phases'>, school: School): Found[] {
  const found: Found[] = [];
  const bends = phases.flatMap((phase) => (phase.end?.bendDeg == null ? [] : [phase.end.bendDeg]));
  if (school.height === 'level' && bends.length > 1 && Math.max(...bends) - Math.min(...bends) > NEAR.degrees) {
    found.push(['height', 'goes up and down, the school keeps its height']);
  }
  if (school.breathLink === 'linked' && phases.length > 0 && phases.every((phase) => phase.breath === 'free')) {
    found.push(['breathLink', 'leaves the breath free, the school links it to the movement']);
  }
  return found;
}

const named = (thing: string, found: readonly Found[], school: School): Contradiction[] =>
  found
    .map(([question, text]) => ({ question, text, key: contradictionKey(thing, question) }))
    .filter((entry) => !school.keptOnPurpose.includes(entry.key));

/** What of an exercise goes against the school and was not kept on purpose. */
export const exerciseContradictions = (exercise: Exercise, school: School): Contradiction[] =>
  named(
    exercise.id,
    [
      ...againstPosture(exercise.posture, school),
      ...againstDose(exercise.defaultDose, school),
      ...againstCycle(exercise, school),
    ],
    school,
  );

/** What of a routine's doses and orders goes against its school, by segment. */
export function routineContradictions(
  routine: Routine,
  school: School,
  exercises: ReadonlyMap<string, Exercise>,
): (Contradiction & { segmentId: string })[] {
  return routine.segments.flatMap((segment) => {
    if (segment.type !== 'exercise') return [];
    const found: Found[] = againstDose(segment.dose, school);
    const sided = segment.dose.amounts.some((row) => row.side !== 'both');
    // Where each side has its own stand, the sides cannot take turns with each repetition.
    const exercise = exercises.get(segment.exerciseId);
    const own = school.sideOrder === 'each' && exercise !== undefined && standsOtherwise(exercise);
    if (sided && !own && segment.sideOrder !== school.sideOrder) {
      const [done, wanted] = [sideOrderWords[segment.sideOrder], sideOrderWords[school.sideOrder]];
      found.push(['sideOrder', `is done ${done}, in the school ${wanted}`]);
    }
    const uncounted = (amount: number): boolean => amount > school.countsOf && amount % school.countsOf !== 0;
    const counted = segment.dose.kind === 'cycle' && !isTimed(segment.dose);
    const odd = counted && segment.dose.amounts.some((row) => uncounted(row.amount));
    if (odd) found.push(['countsOf', `is not counted in ${school.countsOf}s as the school counts`]);
    return named(segment.id, found, school).map((entry) => ({ ...entry, segmentId: segment.id }));
  });
}
