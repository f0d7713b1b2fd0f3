import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pointsInWork } from '../corrections/correction';
import { demoContents } from '../demo/demoContents';
import { builtInExercises } from '../library/builtInExercises';
import { personRecord, type PersonRecord, type StoredPerson } from '../person/personRecord';
import { practisedRoutine } from '../plan/practisedRoutine';
import { timeline, withStage, type Routine, type Span } from '../routine';
import { builtInSchools, softSchool, type School } from '../schools';
import { clock } from '../words/durationWords';
import { usualCalls } from './calls';
import { conductAt } from './conduct';
import { cuePlan } from './cuePlan';
import { hallCalls } from './hallCalls';
import { momentOf } from './moment';
import { timesDone } from './timesDone';

/**
 * What twelve students see and hear over a whole practice, as text. It is kept in testing/hallScripts.md so that it can be read, and
 * so that every change of a word is seen: `POMEK_WRITE=1 npx jest hallScripts` writes it anew.
 */
const FILE = join(__dirname, '../testing/hallScripts.md');
const today = '2026-03-11';
const demo = demoContents(today);
const schools = [...demo.schools, ...builtInSchools];

interface Case {
  readonly title: string;
  readonly person: PersonRecord;
  readonly routine: Routine;
}

function stored(studentId: string, school?: School): StoredPerson {
  const student = demo.students.find(({ id }) => id === studentId)!;
  const own = <T extends { studentId: string }>(all: readonly T[]): T[] =>
    all.filter((entry) => entry.studentId === studentId);
  return {
    student,
    school: school ?? schools.find(({ id }) => id === student.schoolId) ?? softSchool,
    plans: own(demo.plans),
    decisions: own(demo.decisions),
    logs: own(demo.logs),
    corrections: own(demo.corrections),
    measures: own(demo.measures),
    routines: demo.routines,
    exercises: [...builtInExercises, ...demo.exercises],
  };
}

/** A routine with one-hand reeling. */
const reeling = demo.routines.find(({ segments }) =>
  segments.some((segment) => segment.type === 'exercise' && segment.exerciseId === 'one-hand-reeling'),
)!;

/** A student of the demo with its first plan, else with a routine of the hall; in another school where one is named. */
function caseOf(
  studentId: string,
  school?: School,
  change: (routine: Routine) => Routine = (routine) => routine,
): Case {
  const person = personRecord(stored(studentId, school), today);
  const planned = school === undefined ? person.plans[0]?.routineId : reeling.id;
  const routine = demo.routines.find(({ id }) => id === planned) ?? demo.routines[0]!;
  return { title: `${person.student.name}, ${person.school.name}`, person, routine: change(routine) };
}

/** A routine in which the first drill with stages is practised in one of them. */
const inStage =
  (exerciseId: string, number: number) =>
  (routine: Routine): Routine => ({
    ...routine,
    segments: routine.segments.map((segment) => {
      const exercise = builtInExercises.find(({ id }) => id === exerciseId)!;
      return segment.type === 'exercise' && segment.exerciseId === exerciseId
        ? withStage(segment, exercise, number)
        : segment;
    }),
  });

const withPlans = demo.students.filter(({ id }) => demo.plans.some(({ studentId }) => studentId === id));
const cases: Case[] = [
  ...withPlans.slice(0, 7).map(({ id }) => caseOf(id)),
  ...builtInSchools.map((school, index) => {
    const { id } = withPlans[[4, 1, 3, 5, 0][index]!]!;
    const stage = ([null, 1, 3, 4, 6] as (number | null)[])[index] ?? null;
    const made = caseOf(id, school, stage === null ? undefined : inStage('one-hand-reeling', stage));
    return { ...made, title: `${made.title}${stage === null ? '' : `, one-hand reeling in stage ${stage}`}` };
  }),
];

/** When something new is shown in a span, ms from its beginning: its parts the first time round, and each cue. */
function looks(span: Span, parts: readonly number[], cues: readonly number[]): number[] {
  return [...new Set([0, ...parts, ...cues])].filter((ms) => ms < span.durationMs).toSorted((a, b) => a - b);
}

function scriptOf({ title, person, routine }: Case): string[] {
  const { shelf, school } = person;
  const practised = practisedRoutine(routine, person).routine;
  const line = timeline(practised);
  const ids = [...new Set(person.corrections.map(({ checkpointId }) => checkpointId))];
  const inWork = new Set(pointsInWork(person.corrections, ids, today).map(({ checkpointId }) => checkpointId));
  const before = (exerciseId: string): number => timesDone(person.logs, exerciseId);
  const cues = cuePlan(practised, line, shelf, school, { inWork, before });
  const said = hallCalls(practised, line, usualCalls, { cues: true, parts: 'new' }, shelf, school, cues);
  const out = [`## ${title}`, ''];
  if (inWork.size > 0) out.push(`In work: ${[...inWork].join(', ')}.`, '');
  for (const span of line.spans) {
    const calls = said.filter(({ spanIndex }) => spanIndex === span.index);
    const first = Math.min(span.durationMs, span.amount > 0 ? span.durationMs / span.amount : span.durationMs);
    const parts = Array.from({ length: 48 }, (_, at) => Math.round((at * first) / 48));
    const shownAt = looks(
      span,
      span.kind === 'cycle' ? parts : [0],
      (cues.get(span.index) ?? []).map(({ fromMs }) => fromMs),
    );
    let [last, cue] = ['', ''];
    for (const offsetMs of shownAt) {
      const now = momentOf(practised, line, { ...conductAt(span.index), offsetMs: offsetMs + 1 }, shelf, school, cues);
      const side = [now.side === 'both' ? '' : now.side, now.direction].filter((words) => words !== '').join(', ');
      const shown = [
        [now.title, side, now.detail].filter((words) => words !== '').join(' | '),
        ...now.wayIn.map((words) => `    ${words}`),
        ...(now.mayBegin === '' ? [] : [`    ${now.mayBegin}`]),
        ...now.cautions.map((words) => `    ! ${words}`),
      ];
      const text = shown.join('\n');
      const at = clock(Math.floor((span.startMs + offsetMs) / 1000));
      if (text !== last) out.push(`${at} ${text}`);
      const up = now.checkpoint === null ? '' : `    ${now.checkpoint.region}: ${now.checkpoint.cue}`;
      if (up !== cue && up !== '') out.push(text === last ? `${at}${up}` : up);
      [last, cue] = [text, up];
    }
    if (calls.length > 0) {
      const spoken = calls.map(
        ({ offsetMs, text }) => `${clock(Math.floor((span.startMs + offsetMs) / 1000))} “${text}”`,
      );
      out.push(`    said: ${spoken.join(' · ')}`);
    }
  }
  return [...out, ''];
}

const script = (): string =>
  [
    '# What twelve students see and hear',
    '',
    'Made-up people of the demo, on one day. Each line is a moment in which something else is shown: the time, what is done, the side, the part; below it the way in, what to mind, and the checkpoint that comes up. “said” is what the voice calls, with the parts of the first two repetitions. A test compares this file with the program.',
    '',
    '```text',
    ...cases.flatMap(scriptOf),
    '```',
    '',
  ].join('\n');

test('twelve students see and hear what testing/hallScripts.md says', () => {
  const now = script();
  if (process.env['POMEK_WRITE'] === '1') writeFileSync(FILE, now);
  expect(cases).toHaveLength(12);
  expect(now.split('\n')).toEqual(readFileSync(FILE, 'utf8').split('\n'));
});

test('nothing is left unsaid in braces, empty or doubled', () => {
  for (const line of script().split('\n')) {
    expect(line).not.toMatch(/[{}]|undefined|null|\s\|\s*$|\.\.$/);
  }
});
