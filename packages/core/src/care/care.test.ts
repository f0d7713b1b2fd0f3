import { breathe, cycle, eachSide, hold, pattern, together } from '../library/describe';
import { turnSegment } from '../routine';
import { routineFindings } from '../findings';
import { softSchool } from '../schools';
import {
  conditionLimits,
  conditions,
  limitsOf,
  notedCondition,
  notedOwn,
  OwnLimitsSchema,
  type Condition,
  type LimitName,
  type Noted,
} from '../screening';
import { standardPerson } from '../person';
import { newStudent, notedOf, type Measure } from '../students';
import type { Exercise } from '../library/exercise';
import { segmentEndurance } from '../endurance';
import { dosedRoutine, firstLevel, practisedRoutine } from '../plan';
import { person, plan, routine, segment, shelf, strand } from '../testing/samples';
import { careFor, caredRoutine, changedWords, type CaredPerson } from '.';

const of = (exerciseId: string, dose = shelf.get(exerciseId)!.defaultDose, change = {}) =>
  segment(exerciseId, dose, { exerciseId, ...change });
/** Nothing on the shelf folds all the way down, twists the back or steps across: what does is put beside it. */
const stretch = shelf.get('hip-stretch')!;
const folding = { ...stretch, id: 'deep-fold', posture: { ...stretch.posture, trunkPitchDeg: 90 } };
const walk = shelf.get('cat-walk')!;
const crossing: Exercise = { ...walk, id: 'crossing-walk', movements: ['steps across'] };
const everything = new Map([...shelf, ['deep-fold', folding], ['crossing-walk', crossing]]);
const all = [...everything.values()];
const someone = (...noted: Noted[]): CaredPerson => ({ ...standardPerson('2026-03-02'), noted });
const having = (...list: readonly Condition[]): CaredPerson => someone(...list.map((one) => notedCondition(one)));
const cares = (value: ReturnType<typeof of>, who: CaredPerson) =>
  caresOf(value, everything.get(value.exerciseId)!, who);
/** A twist of the back is seen where the waist turns. */
const twisting = { ...softSchool, turns: 'waist' as const };
const caresOf = (value: ReturnType<typeof of>, exercise: Exercise, who: CaredPerson, school = softSchool) =>
  careFor({ segment: value, exercise, school }, who, all);

/** One drill for each limit that goes beyond it. */
const provoking: Readonly<Record<LimitName, ReturnType<typeof of>>> = {
  overheadSeconds: of('overhead-stretch', cycle(90, together(3))),
  twistDeg: of('arm-swings'),
  turnOnLegDeg: of('shift-and-turn'),
  turnSpeed: of('whole-turn-swings'),
  noToes: of('heel-lifts'),
  noSwing: of('leg-swings'),
  noCrossing: of('hip-stretch'),
  noStepAcross: of('crossing-walk', walk.defaultDose),
  noSeatedLean: of('hip-stretch'),
  noHeadCircles: of('joint-circles'),
  noHeadBack: of('overhead-stretch'),
  noBounce: of('shake-out'),
  noBelly: of('tapping'),
  bendDeg: turnSegment(routine([of('tree-holding')]), 'tree-holding', { kneeBendDeg: 60 }).segments[0] as never,
  armsDeg: turnSegment(routine([of('tree-holding')]), 'tree-holding', { shoulderRaiseDeg: 80 }).segments[0] as never,
  foldDeg: of('deep-fold', hold(20, together(1))),
  width: turnSegment(routine([of('tree-holding')]), 'tree-holding', { stanceWidth: 2 }).segments[0] as never,
  standSeconds: of('tree-holding', hold(400, together(1))),
  effort: of('tree-holding', hold(400, together(1))),
  noLift: of('empty-full', hold(30, eachSide(1))),
  noSquat: of('squat-and-bounce', cycle(3, together(9))),
  noHeldBreath: of('belly-breathing', breathe(6, pattern(4, 2, 4, 0))),
  breathShare: of('belly-breathing', breathe(6, pattern(5, 0, 7, 0))),
};

describe('what a condition does (house table)', () => {
  const rows = conditions.flatMap((condition) =>
    (Object.keys(conditionLimits[condition]) as LimitName[]).map((limit) => [condition, limit] as const),
  );

  test.each(rows)('%s: %s is found, with its reason, and what is done instead keeps to it', (condition, limit) => {
    const value = provoking[limit];
    const exercise = everything.get(value.exerciseId)!;
    const school = limit === 'twistDeg' ? twisting : softSchool;
    const found = caresOf(value, exercise, having(condition), school).find((care) => care.limit.name === limit)!;
    expect(found.limit.because).toBe(condition);
    expect(found.instead).not.toBe(found.asks);
    const other = everything.get(found.segment.exerciseId)!;
    const after = caresOf(found.segment, other, having(condition), school);
    expect(after.map((care) => care.limit.name)).not.toContain(limit);
  });

  test('nothing noted, nothing changes; what keeps to the limits is left alone', () => {
    const value = routine([of('tree-holding'), of('squat-and-bounce')]);
    expect(caredRoutine(value, someone(), shelf, softSchool).routine).toBe(value);
    expect(cares(of('neutral-stance'), having('knee pain', 'shoulder pain'))).toEqual([]);
  });

  test('of several conditions the strictest counts', () => {
    const { noted } = having('hip or knee joint replaced', 'knee pain');
    expect(limitsOf(noted).find(({ name }) => name === 'bendDeg')).toMatchObject({ value: 20, because: 'knee pain' });
    // Of the breath the quicker rate is the stricter.
    const shares = [0.5, 0.8, 0.6].map((breathShare) => ({ ...noted[0]!, limits: { breathShare } }));
    expect(limitsOf(shares)).toEqual([expect.objectContaining({ value: 0.8 })]);
  });

  test('a whole routine comes out within every limit, with every condition noted at once', () => {
    const value = routine([...shelf.keys()].map((id) => of(id)));
    const { routine: cared, changed } = caredRoutine(value, having(...conditions), shelf, softSchool);
    expect(changed.length).toBeGreaterThan(5);
    const left = cared.segments.flatMap((entry) =>
      entry.type === 'exercise' ? caresOf(entry, shelf.get(entry.exerciseId)!, having(...conditions)) : [],
    );
    expect(left).toEqual([]);
    expect(changedWords(changed[0]!)).toMatch(/^.+: .+ instead of .+ \(.+\)\.$/);
  });

  test('another drill is no practice of the strand it stands for', () => {
    const squats = of('squat-and-bounce');
    const { routine: cared, changed } = caredRoutine(routine([squats]), having('knee pain'), shelf, softSchool);
    expect(cared.segments[0]).toMatchObject({ id: 'squat-and-bounce-instead' });
    // What is said of it is said where it now stands.
    expect(changed.at(-1)!.segment.id).toBe('squat-and-bounce-instead');
    const bent = caredRoutine(routine([provoking.bendDeg]), having('knee pain'), shelf, softSchool).routine
      .segments[0]!;
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
      ...standardPerson('2026-03-02'),
      name: 'Ama',
      noted: having('knee pain').noted,
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
    const noted = (who: typeof student, measures: Measure[]) =>
      notedOf(who, measures, today).map(({ because }) => because);
    expect(noted(student, [])).toEqual([]);
    expect(noted(student, [tandem(9)])).toEqual(['poor balance']);
    expect(noted(student, [tandem(10)])).toEqual([]);
    // Seventy to seventy-nine years: 15 s are usual (Springer et al. 2007; from memory).
    const leg = (seconds: number): Measure => ({
      id: 'l',
      studentId: 'u',
      day: today,
      kind: 'one-leg stand',
      side: 'left',
      seconds,
    });
    expect(noted(student, [leg(7)])).toEqual(['poor balance']);
    expect(noted(student, [leg(8)])).toEqual([]);
    const known = { ...student, conditions: ['poor balance' as const] };
    expect(noted(known, [tandem(4)])).toEqual(['poor balance']);
  });

  test('has the doses of the plan, and then what is noted of the body', () => {
    const base = routine([of('tree-holding', hold(60, together(1)))]);
    const deep = strand({ segmentId: 'tree-holding', axis: 'bend', step: 5, start: 20, level: 40, target: 60 });
    const value = plan([deep]);
    const own = { ...student, conditions: ['knee pain' as const] };
    const found = practisedRoutine(base, person({ student: own, plans: [value] }, today));
    expect(dosedRoutine(base, value, today, [1, 3, 5]).segments[0]).toMatchObject({ turned: { kneeBendDeg: 40 } });
    expect(found.routine.segments[0]).toMatchObject({ turned: { kneeBendDeg: 20 } });
    expect(found.changed.map(changedWords)).toEqual([
      'Holding the tree: a bend of 20° instead of a bend of 40° (knee pain).',
    ]);
    expect(practisedRoutine(base, person({ student }, today))).toEqual({
      routine: base,
      changed: [],
      locked: new Set(),
      closed: new Set(),
    });
  });
});

describe('one side', () => {
  const squat = { ...shelf.get('squat-and-bounce')!, id: 'one-leg-squat', twoSided: true };
  const left = notedCondition('knee pain', 'left');

  test('the leg that is off the floor may bend as it likes', () => {
    const stand = turnSegment(routine([of('empty-full', hold(30, eachSide(1)))]), 'empty-full', { kneeBendDeg: 40 })
      .segments[0] as ReturnType<typeof of>;
    const right = { ...stand, dose: hold(30, [{ side: 'right', direction: 'none', amount: 1 }]) };
    expect(cares(right, someone(left))).toEqual([]);
    expect(cares(stand, someone(left))).toMatchObject([
      { limit: { name: 'bendDeg', side: 'left', because: 'knee pain on the left' }, instead: 'a bend of 20°' },
    ]);
  });

  test('a drill of which only one side goes too far is left with the other', () => {
    const lifting = {
      ...squat,
      posture: { ...squat.posture, kneeBendDeg: 10, weightShare: 1, otherLifted: true },
      phases: squat.phases.map((phase) => ({ ...phase, end: phase.end && { ...phase.end, lifted: 'other' as const } })),
    };
    const dose = cycle(3, eachSide(9));
    const asks = segment('s', dose, { exerciseId: lifting.id });
    const found = caresOf(asks, lifting, someone(left));
    expect(found.map(({ limit, instead }) => [limit.name, instead])).toEqual([
      ['bendDeg', 'only the right'],
      ['noSquat', 'only the right'],
    ]);
    expect(found[0]!.segment.dose.amounts).toMatchObject([
      { side: 'left', amount: 0 },
      { side: 'right', amount: 9 },
    ]);
    // Both knees: another drill.
    const both = caresOf(asks, lifting, someone(notedCondition('knee pain')));
    expect(both[0]!.instead).toMatch(/^“/);
  });

  test('an arm that rests may be the sore one', () => {
    const reach = shelf.get('one-hand-reeling')!;
    const high = {
      ...reach,
      id: 'high-reeling',
      phases: reach.phases.map((phase) => ({
        ...phase,
        end: phase.end && { ...phase.end, hand: { out: 0, forward: 1, up: 1.2 } },
      })),
    };
    const asks = (side: 'left' | 'right') =>
      segment('s', cycle(6, [{ side, direction: 'forward', amount: 8 }]), { exerciseId: high.id });
    const shoulder = someone(notedCondition('shoulder pain', 'left'));
    expect(caresOf(asks('right'), high, shoulder)).toEqual([]);
    expect(caresOf(asks('left'), high, shoulder)).toHaveLength(1);
  });
});

test('a teacher’s own limits act like the others, in the teacher’s words', () => {
  const own = OwnLimitsSchema.parse({
    id: 'o',
    words: 'new lenses',
    bendDeg: 25,
    armsDeg: 40,
    standSeconds: 90,
    noLift: true,
    noHeldBreath: true,
    noHeadLow: true,
  });
  const who = someone(notedOwn(own));
  for (const limit of ['bendDeg', 'armsDeg', 'standSeconds', 'noLift', 'noHeldBreath', 'foldDeg'] as const)
    expect(cares(provoking[limit], who).map((care) => [care.limit.name, care.limit.because])).toContainEqual([
      limit,
      'new lenses',
    ]);
  expect(notedOwn({ ...own, side: 'left' }).because).toBe('new lenses, left');
  // What is left empty is free.
  expect(notedOwn(OwnLimitsSchema.parse({ id: 'o', words: 'tired' })).limits).toEqual({});
  expect(OwnLimitsSchema.safeParse({ id: 'o', words: ' ' }).success).toBe(false);
});

describe('weak legs', () => {
  const student = { ...newStudent('u', 'Ama', softSchool.id), birthYear: 1950 };
  const stands = (count: number): Measure => ({
    id: 'c',
    studentId: 'u',
    day: '2026-03-02',
    kind: 'chair stand',
    count,
  });
  const noted = (count: number, birthYear: number | null = 1950) =>
    notedOf({ ...student, birthYear }, [stands(count)], '2026-03-02');

  test('fewer chair stands than the lower of both averages act; between them, and without an age, nothing does', () => {
    // Seventy-six: 10 for women, 11 for men (CDC STEADI; from memory).
    expect(noted(9).map(({ because }) => because)).toEqual(['weak legs']);
    expect(noted(10)).toEqual([]);
    expect(noted(3, null)).toEqual([]);
  });

  test('begin a third lower in what loads the legs, and higher', () => {
    const tree = shelf.get('tree-holding')!;
    const first = (exerciseId: string, dose = hold(90, together(1)), axis: 'time' | 'bend' = 'time') =>
      firstLevel(of(exerciseId, dose), shelf.get(exerciseId)!, axis, softSchool, noted(9));
    expect(first('tree-holding')).toEqual({ level: 60, because: 'weak legs' });
    expect(first('tree-holding', hold(5, together(1)))).toEqual({ level: 5, because: null });
    expect(first('tree-holding', hold(90, together(1)), 'bend').because).toBeNull();
    expect(first('hip-stretch').because).toBeNull();
    expect(firstLevel(of('tree-holding'), tree, 'time', softSchool).because).toBeNull();
    expect(cares(provoking.bendDeg, someone(...noted(9)))[0]).toMatchObject({ instead: 'a bend of 30°' });
  });
});

test('a hold harder than a condition allows is shortened where it is practised, by what it is for that person', () => {
  const student = { ...newStudent('u', 'Ama', softSchool.id), conditions: ['heart condition' as const] };
  const long = (seconds: number) => routine([of('tree-holding', hold(seconds, together(1)))]);
  const practised = (seconds: number) => practisedRoutine(long(seconds), person({ student }, '2026-03-02'));
  const found = practised(3600);
  expect(found.changed).toMatchObject([{ limit: { name: 'effort', because: 'heart condition' } }]);
  const now = found.routine.segments[0] as ReturnType<typeof of>;
  expect(now.dose).toMatchObject({ kind: 'hold' });
  const { capacity, body } = person({ student }, '2026-03-02');
  const lasts = segmentEndurance(now, shelf.get('tree-holding')!, body, capacity, softSchool);
  const share = (now.dose as { holdSeconds: number }).holdSeconds / lasts;
  expect(share).toBeLessThan(0.7);
  expect(share).toBeGreaterThan(0.6);
  expect(practised(60).changed).toEqual([]);
});
