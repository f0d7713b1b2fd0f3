import { allCheckpoints, CheckpointSchema, regions } from '../alignment';
import { newStudent, StudentSchema } from '../students';
import { checkRange, groupBy } from '../words';
import { builtInExercises } from '../library/builtInExercises';
import { newSegment } from '../routine';
import { builtInSchools, RaiseRuleSchema, schoolChanges, SchoolSchema, softSchool, spokenExercise } from '.';

const paths = (value: unknown) => RaiseRuleSchema.safeParse(value).error?.issues.map((issue) => issue.path.join('.'));

test('the built-in schools are whole and differ in earnest', () => {
  for (const school of builtInSchools) expect(SchoolSchema.safeParse(school).success).toBe(true);
  expect(new Set(builtInSchools.map((school) => school.fatigueRule)).size).toBe(2);
  expect(new Set(builtInSchools.map((school) => school.sideOrder)).size).toBe(3);
});

test('a raise rule whose numbers contradict each other is refused with the field', () => {
  const rule = softSchool.raise;
  expect(paths({ ...rule, easeEffort: rule.effortCeiling })).toEqual(['easeEffort']);
  expect(paths({ ...rule, easeGapDays: 8 })).toEqual(['easeGapDays']);
  expect(paths({ ...rule, growthPerWeek: 0.3 })).toEqual(['growthPerWeek']);
  expect(paths({ ...rule, sessionsToRaise: 1.5 })).toEqual(['sessionsToRaise']);
  expect(paths(rule)).toBeUndefined();
});

test('a student needs a name, and practises on days that exist', () => {
  const student = { ...newStudent('u', 'Ama', 's'), practiceDays: [1, 7] };
  expect(StudentSchema.safeParse(student).success).toBe(true);
  const wrong = StudentSchema.safeParse({ ...student, name: ' ', practiceDays: [8], birthYear: 1850 });
  expect(wrong.error?.issues.map((issue) => issue.path.join('.')).sort()).toEqual([
    'birthYear',
    'name',
    'practiceDays.0',
  ]);
});

test('the checkpoints are whole, each region is there, and the dangerous ones are safety points', () => {
  const all = allCheckpoints();
  for (const point of all) expect(CheckpointSchema.safeParse(point).success).toBe(true);
  expect(new Set(all.map((point) => point.region))).toEqual(new Set(regions));
  const safety = new Set(all.filter((point) => point.safety).map((point) => point.region));
  expect(safety).toEqual(new Set(['knees', 'low back', 'breath']));
});

test('groups keep their order; a number outside its bounds is named with them', () => {
  expect([...groupBy([3, 1, 4, 1, 5], (value) => value % 2)]).toEqual([
    [1, [3, 1, 1, 5]],
    [0, [4]],
  ]);
  expect(() => checkRange('bend', 151, 0, 150)).toThrow('bend must be between 0 and 150; it is 151');
  expect(() => checkRange('bend', Number.NaN, 0, 150)).toThrow('bend');
  expect(() => checkRange('bend', 150, 0, 150)).not.toThrow();
});

test('a pause is in the words where it is in the dose, and nowhere else', () => {
  const drill = builtInExercises.find(({ id }) => id === 'four-part-breath')!;
  for (const school of builtInSchools) {
    const said = spokenExercise(drill, school, 'both');
    const { dose } = newSegment('s', drill, school);
    const rests = dose.kind === 'breath' && dose.pattern.emptyPauseSeconds > 0;
    expect([school.name, /in, still, out, still/i.test([said.summary, ...said.wayIn].join(' '))]).toEqual([
      school.name,
      rests,
    ]);
  }
});

test('what one school changes against another is each question with another side, and each number', () => {
  expect(schoolChanges(softSchool, softSchool)).toEqual([]);
  const one = { ...softSchool, toes: 'wide' as const, changeSeconds: 12, countsOf: 3 };
  expect(schoolChanges(softSchool, one).map(({ question, to }) => [question, to])).toEqual([
    ['Toes in the neutral stance', expect.stringMatching(/45/)],
    ['Time to change sides', '12 s'],
    ['Repetitions', 'multiples of 3'],
  ]);
  // There and back it is the same list, turned round.
  for (const from of builtInSchools)
    for (const to of builtInSchools)
      expect(schoolChanges(from, to).map((change) => [change.question, change.from, change.to])).toEqual(
        schoolChanges(to, from).map((change) => [change.question, change.to, change.from]),
      );
});
