import type { Decision } from '../goals/plan';
import { demoContents } from '../demo';
import { builtInExercises } from '../library/builtInExercises';
import { recentGrade, recentLoad } from '../load/studentLoad';
import { practisedOn } from '../plan/practisedRoutine';
import { timeline } from '../routine/timeline';
import { softSchool } from '../schools/builtInSchools';
import { log } from '../testing/samples';
import { personRecord, type StoredPerson } from '../person/personRecord';
import { StandingSchema, standingOf } from './standing';
import { strandVerdicts, verdictWeight } from './strandVerdicts';

const today = '2026-11-20';
const demo = demoContents(today);
const dayOf = (moment: string): string => moment.slice(0, 10);
const storedOf = ({ id, schoolId }: { readonly id: string; readonly schoolId: string }): StoredPerson => {
  const own = <T extends { studentId: string }>(list: T[]): T[] => list.filter((entry) => entry.studentId === id);
  return {
    student: demo.students.find((one) => one.id === id)!,
    school: demo.schools.find((school) => school.id === schoolId) ?? softSchool,
    measures: own(demo.measures),
    routines: demo.routines,
    plans: own(demo.plans),
    logs: own(demo.logs),
    decisions: own(demo.decisions),
    corrections: own(demo.corrections),
    exercises: [...builtInExercises, ...demo.exercises],
  };
};
const named = (name: string): StoredPerson => storedOf(demo.students.find((one) => one.name === name)!);

test('a verdict on every strand; a sore knee locks, and an answered practice is no longer due', () => {
  const sore = named('Bertil Anquist');
  const found = strandVerdicts(personRecord(sore, today));
  expect(found).toHaveLength(sore.plans[0]!.strands.length);
  expect(found.every((entry) => entry.locked && entry.due)).toBe(true);
  const steady = named('Orsolya Venn');
  const open = strandVerdicts(personRecord(steady, today));
  expect(open.some((entry) => entry.locked)).toBe(false);
  const answers = open.map((entry): Decision => ({
    ...steady.decisions[0]!,
    strandId: entry.strand.id,
    logId: entry.verdict.logId,
    day: today,
  }));
  const answered = personRecord({ ...steady, decisions: answers }, today);
  expect(strandVerdicts(answered).some((entry) => entry.due)).toBe(false);
  expect(standingOf(answered, dayOf).due).toEqual([]);
});

test('what lists say of each of the demo is what the pages of that person say, and can be kept', () => {
  let due = 0;
  for (const student of demo.students) {
    const person = personRecord(storedOf(student), today);
    const standing = standingOf(person, dayOf);
    expect(StandingSchema.parse(JSON.parse(JSON.stringify(standing)))).toEqual(standing);
    const waiting = strandVerdicts(person).filter((entry) => entry.due);
    due += waiting.length;
    expect(standing.due.map(({ strandId }) => strandId).toSorted()).toEqual(
      waiting.map(({ strand }) => strand.id).toSorted(),
    );
    const weights = standing.due.map(({ kind }) => verdictWeight[kind]);
    expect(weights).toEqual(weights.toSorted((a, b) => a - b));
    for (const { strandId, kind, reason } of standing.due) {
      const { verdict } = waiting.find(({ strand }) => strand.id === strandId)!;
      expect([kind, reason]).toEqual([verdict.kind, verdict.reasons[0]]);
    }
    expect(standing.lastDay).toBe(person.lastDay);
    if (person.lastDay !== null) expect(standing.load).toBe(recentGrade(recentLoad(person.logs, today)));
    const lengths = person.plans.map((plan) => practisedOn(plan, person)!);
    expect(standing.routines.map(({ id }) => id)).toEqual(lengths.map(({ id }) => id));
    for (const [at, { seconds }] of standing.routines.entries())
      if (seconds !== null) expect(seconds).toBe(timeline(lengths[at]!).totalMs / 1000);
  }
  expect(due).toBeGreaterThan(5);
});

test('of somebody who never came nothing is made up; what came from home is told; all locked is no length', () => {
  const [student] = demo.students;
  const nobody = { ...storedOf(student!), plans: [], logs: [], decisions: [] };
  const studentId = student!.id;
  const none = { studentId, day: today, lastDay: null, load: null, due: [], routines: [], fromHome: '' };
  expect(standingOf(personRecord(nobody, today), dayOf)).toEqual(none);
  const home = log('2026-11-19', { studentId, effort: 6, cameInAt: `${today}T07:00:00.000Z` });
  expect(standingOf(personRecord({ ...nobody, logs: [home] }, today), dayOf)).toMatchObject({
    lastDay: '2026-11-19',
    load: 'too early',
    fromHome: '1 practice from home; the hardest 6 of 10',
  });
  const sore = named('Bertil Anquist');
  const { routineId } = sore.plans[0]!;
  const routines = sore.routines.map((routine) =>
    routine.id === routineId
      ? { ...routine, segments: routine.segments.filter(({ type }) => type !== 'exercise') }
      : routine,
  );
  expect(standingOf(personRecord({ ...sore, routines }, today), dayOf).routines).toMatchObject([{ seconds: null }]);
});
