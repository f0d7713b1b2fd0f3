import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inTellingOrder } from '../alignment';
import { pointsInWork } from '../corrections/correction';
import { demoContents } from '../demo/demoContents';
import { builtInExercises } from '../library/builtInExercises';
import { cycleParts } from '../library/cycleParts';
import { usualCalls } from '../practice/calls';
import { personRecord, type PersonRecord } from '../person/personRecord';
import { practisedRoutine } from '../plan/practisedRoutine';
import { toldSide, type ExerciseSegment } from '../routine';
import { drillName, segmentDrill, stageOf } from '../routine/turned';
import { builtInSchools, pointsIn, softSchool, spokenExercise, toldPart } from '../schools';
import { signLine } from '../library/teaching';
import { segmentWords } from '../routine/turnedWords';
import { makeSheet } from './makeSheet';
import { nextSegment } from './nextSegment';
import type { Sheet } from './sheet';

/**
 * What papers and sheets of twelve students have to say of each drill, kept in testing/atHome.json: the end-to-end tests
 * look for it in the printed pages and on the phone. `POMEK_WRITE=1 npx jest atHome` writes it anew.
 */
const FILE = join(__dirname, '../testing/atHome.json');
/** The day on which the end-to-end tests run. */
const today = '2026-03-12';
const demo = demoContents(today);
const exercises = [...builtInExercises, ...demo.exercises];
const shelf = new Map(exercises.map((exercise) => [exercise.id, exercise]));
const schools = [...demo.schools, ...builtInSchools];

function personOf(studentId: string, schoolId?: string): PersonRecord {
  const student = demo.students.find(({ id }) => id === studentId)!;
  const own = <T extends { studentId: string }>(all: readonly T[]): T[] =>
    all.filter((entry) => entry.studentId === studentId);
  const id = schoolId ?? student.schoolId;
  return personRecord(
    {
      student: { ...student, schoolId: id },
      school: schools.find((school) => school.id === id) ?? softSchool,
      plans: own(demo.plans),
      decisions: own(demo.decisions),
      logs: own(demo.logs),
      corrections: own(demo.corrections),
      measures: own(demo.measures),
      routines: demo.routines,
      exercises,
    },
    today,
  );
}

/** The ten people of the demo, and two of them in a school that is stricter, or looser, than their own. */
const people: PersonRecord[] = [
  ...demo.students.map(({ id }) => personOf(id)),
  personOf('demo-student-3', 'school-wave'),
  personOf('demo-student-4', 'school-pillar'),
];

function drillOf(segment: ExerciseSegment, { school }: PersonRecord, inWork: ReadonlySet<string>, sheet: Sheet) {
  const exercise = shelf.get(segment.exerciseId)!;
  const drill = segmentDrill(segment, exercise);
  const said = spokenExercise(drill, school, drill.twoSided ? toldSide(segment) : 'both');
  const ways = [...new Set(segment.dose.amounts.filter(({ amount }) => amount > 0).map((row) => row.direction))];
  const points = inTellingOrder(pointsIn(said.checkpoints, school, inWork, stageOf(segment, said)));
  return {
    name: drillName(segment, exercise),
    dose: segmentWords(segment),
    onPhone: segmentWords(nextSegment(sheet, exercise.id, today)!),
    wayIn: said.wayIn,
    parts: ways.flatMap((way) => cycleParts(said, way).map((part) => toldPart(part, school))),
    inWork: points.filter(({ id }) => inWork.has(id)).map(({ wanted }) => wanted),
    stop: said.signs.stop.map((sign) => signLine('stop', sign)),
  };
}

test('papers and sheets of twelve students are looked through for what testing/atHome.json says', () => {
  const now = people.map((person) => {
    const { student, school, plans, corrections } = person;
    const routine = demo.routines.find(({ id }) => id === plans[0]!.routineId)!;
    const practised = practisedRoutine(routine, person).routine;
    const ids = [...new Set(corrections.map(({ checkpointId }) => checkpointId))];
    const inWork = new Set(pointsInWork(corrections, ids, today).map(({ checkpointId }) => checkpointId));
    const sheet = makeSheet({
      id: 'sheet',
      person,
      now: new Date(`${today}T10:00:00Z`),
      weeks: 6,
      calls: usualCalls,
      parts: 'new',
    });
    return {
      student: student.id,
      name: student.name,
      school: school.name,
      routine: routine.name,
      cautions: student.cautions,
      drills: practised.segments.flatMap((part) =>
        part.type === 'exercise' ? [drillOf(part, person, inWork, sheet)] : [],
      ),
    };
  });
  if (process.env['POMEK_WRITE'] === '1') writeFileSync(FILE, `${JSON.stringify(now, null, 2)}\n`);
  expect(now).toHaveLength(12);
  expect(JSON.parse(JSON.stringify(now))).toEqual(JSON.parse(readFileSync(FILE, 'utf8')));
});
