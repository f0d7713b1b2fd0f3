import { cycle, eachSide, hold, together } from '../library/describe';
import { routineFindings, turnSegment } from '../routine';
import { softSchool } from '../schools';
import { newStudent, type Measure } from '../students';
import { dosedRoutine, practisedRoutine } from '../plan';
import { plan, routine, segment, shelf, strand } from '../testing/samples';
import { standardBody } from '../body';
import {
  careFor,
  caredRoutine,
  changedWords,
  conditionLimits,
  conditions,
  limitsOf,
  notedConditions,
  type Condition,
  type LimitName,
} from '.';

const of = (exerciseId: string, dose = shelf.get(exerciseId)!.defaultDose, change = {}) =>
  segment(exerciseId, dose, { exerciseId, ...change });
/** Nothing on the shelf folds all the way down: one that does is put beside it. */
const stretch = shelf.get('hip-stretch')!;
const folding = { ...stretch, id: 'deep-fold', posture: { ...stretch.posture, trunkPitchDeg: 90 } };
const everything = new Map([...shelf, ['deep-fold', folding]]);
const all = [...everything.values()];
const cares = (value: ReturnType<typeof of>, ...noted: Condition[]) =>
  careFor(value, shelf.get(value.exerciseId)!, noted, all, softSchool);

/** One drill for each limit that goes beyond it. */
const provoking: Readonly<Record<LimitName, ReturnType<typeof of>>> = {
  bendDeg: turnSegment(routine([of('tree-holding')]), 'tree-holding', { kneeBendDeg: 60 }).segments[0] as never,
  armsDeg: turnSegment(routine([of('tree-holding')]), 'tree-holding', { shoulderRaiseDeg: 80 }).segments[0] as never,
  foldDeg: of('deep-fold', hold(20, together(1))),
  width: turnSegment(routine([of('tree-holding')]), 'tree-holding', { stanceWidth: 2 }).segments[0] as never,
  standSeconds: of('tree-holding', hold(400, together(1))),
  effort: of('tree-holding', hold(400, together(1))),
  noLift: of('empty-full', hold(30, eachSide(1))),
  noSquat: of('squat-and-bounce', cycle(3, together(9))),
};

describe('what a condition does (house table)', () => {
  const rows = conditions.flatMap((condition) =>
    (Object.keys(conditionLimits[condition]) as LimitName[]).map((limit) => [condition, limit] as const),
  );

  test.each(rows)('%s: %s is found, with its reason, and what is done instead keeps to it', (condition, limit) => {
    const value = provoking[limit];
    const exercise = everything.get(value.exerciseId)!;
    const found = careFor(value, exercise, [condition], all, softSchool, 9).find((care) => care.limit.name === limit)!;
    expect(found.limit.because).toBe(condition);
    expect(found.instead).not.toBe(found.asks);
    const after = careFor(found.segment, everything.get(found.segment.exerciseId)!, [condition], all, softSchool, 6);
    expect(after.map((care) => care.limit.name)).not.toContain(limit);
  });

  test('nothing noted, nothing changes; what keeps to the limits is left alone', () => {
    const value = routine([of('tree-holding'), of('squat-and-bounce')]);
    expect(caredRoutine(value, [], shelf, softSchool).routine).toBe(value);
    expect(cares(of('neutral-stance'), 'knee pain', 'shoulder pain')).toEqual([]);
  });

  test('of several conditions the strictest counts', () => {
    expect(limitsOf(['hip or knee joint replaced', 'knee pain']).find(({ name }) => name === 'bendDeg')).toEqual({
      name: 'bendDeg',
      value: 20,
      because: 'knee pain',
    });
  });

  test('a whole routine comes out within every limit, with every condition noted at once', () => {
    const value = routine([...shelf.keys()].map((id) => of(id)));
    const { routine: cared, changed } = caredRoutine(value, [...conditions], shelf, softSchool);
    expect(changed.length).toBeGreaterThan(5);
    const left = cared.segments.flatMap((entry) =>
      entry.type === 'exercise' ? careFor(entry, shelf.get(entry.exerciseId)!, [...conditions], all, softSchool) : [],
    );
    expect(left).toEqual([]);
    expect(changedWords(changed[0]!)).toMatch(/^.+: .+ instead of .+ \(.+\)\.$/);
  });

  test('another drill is no practice of the strand it stands for', () => {
    const squats = of('squat-and-bounce');
    const { routine: cared, changed } = caredRoutine(routine([squats]), ['knee pain'], shelf, softSchool);
    expect(cared.segments[0]).toMatchObject({ id: 'squat-and-bounce-instead' });
    // What is said of it is said where it now stands.
    expect(changed.at(-1)!.segment.id).toBe('squat-and-bounce-instead');
    const bent = caredRoutine(routine([provoking.bendDeg]), ['knee pain'], shelf, softSchool).routine.segments[0]!;
    expect(bent).toMatchObject({ id: 'tree-holding', turned: { kneeBendDeg: 20 } });
  });
});

test('in the findings of a routine for a person it is a danger, and one press puts it right', () => {
  const value = routine([provoking.bendDeg]);
  const context = {
    routine: value,
    exercises: shelf,
    school: softSchool,
    person: {
      name: 'Ama',
      body: standardBody,
      capacity: { kneeNm: 160, shoulderNm: 40, spread: { legs: 1, arms: 1 } },
      ankleRangeDeg: 38,
      restingBreath: null,
      conditions: ['knee pain' as const],
      learned: null,
      reached: [],
    },
    effort: null,
    newId: () => 'new',
  };
  const found = routineFindings(context).find(({ key }) => key === 'tree-holding: bendDeg')!;
  expect(found.grade).toBe('danger');
  expect(found.text).toBe('Holding the tree asks for a bend of 60°, but knee pain is noted of Ama.');
  const mended = found.mends[0]!.command(value);
  expect(routineFindings({ ...context, routine: mended }).map(({ key }) => key)).not.toContain('tree-holding: bendDeg');
});

describe('a student’s own practice', () => {
  const student = { ...newStudent('u', 'Ama', softSchool.id), birthYear: 1950 };
  const today = '2026-03-02';
  const tandem = (seconds: number): Measure => ({ id: 't', studentId: 'u', day: today, kind: 'tandem stand', seconds });

  test('a short tandem or one-leg stand acts as poor balance, once', () => {
    expect(notedConditions(student, [], today)).toEqual([]);
    expect(notedConditions(student, [tandem(9)], today)).toEqual(['poor balance']);
    expect(notedConditions(student, [tandem(10)], today)).toEqual([]);
    // Seventy to seventy-nine years: 15 s are usual (Springer et al. 2007; from memory).
    const leg = (seconds: number): Measure => ({
      id: 'l',
      studentId: 'u',
      day: today,
      kind: 'one-leg stand',
      side: 'left',
      seconds,
    });
    expect(notedConditions(student, [leg(7)], today)).toEqual(['poor balance']);
    expect(notedConditions(student, [leg(8)], today)).toEqual([]);
    const noted = { ...student, conditions: ['poor balance' as const] };
    expect(notedConditions(noted, [tandem(4)], today)).toEqual(['poor balance']);
  });

  test('has the doses of the plan, and then what is noted of the body', () => {
    const base = routine([of('tree-holding', hold(60, together(1)))]);
    const deep = strand({ segmentId: 'tree-holding', axis: 'bend', step: 5, start: 20, level: 40, target: 60 });
    const value = plan([deep]);
    const own = { ...student, conditions: ['knee pain' as const] };
    const found = practisedRoutine(base, value, own, [], shelf, softSchool, today);
    expect(dosedRoutine(base, value, today).segments[0]).toMatchObject({ turned: { kneeBendDeg: 40 } });
    expect(found.routine.segments[0]).toMatchObject({ turned: { kneeBendDeg: 20 } });
    expect(found.changed.map(changedWords)).toEqual([
      'Holding the tree: a bend of 20° instead of a bend of 40° (knee pain).',
    ]);
    expect(practisedRoutine(base, null, null, [], shelf, softSchool, today)).toEqual({ routine: base, changed: [] });
  });
});
