import { balanceLimit, bodyOf, toeLineBend } from '../body';
import { limitTime, postureLoads, type LimitedBy } from '../endurance';
import { breathe, cycle, eachSide, hold, pattern, posture, together } from '../library/describe';
import type { Exercise } from '../library';
import { standardPerson, type KnownBody } from '../person';
import { conventionsOf, settlePosture, softSchool, stanceOfPosture, strictSchool } from '../schools';
import { notedCondition, notedOwn, OwnLimitsSchema, type Noted } from '../screening';
import { segment, shelf } from '../testing/samples';
import { axisLimits, holdGrade, holdLimits, type LimitedDrill } from '.';

const body = bodyOf({ stature: 1.7, mass: 70 });
const strength = { kneeNm: 150, shoulderNm: 45 };
const capacityWith = (legs: boolean, arms: boolean): KnownBody['capacity'] => ({
  ...strength,
  spread: { legs: 1.3, arms: 1.3 },
  guessed: { legs, arms },
});
const known = capacityWith(false, false);
const person = (change: Partial<KnownBody> = {}): KnownBody => ({
  ...standardPerson('2026-03-02'),
  body,
  capacity: known,
  ...change,
});
const tree = shelf.get('tree-holding')!;
const exercise = (change: Partial<Exercise['posture']> = {}): Exercise => ({
  ...tree,
  posture: { ...posture({ kneeBendDeg: 30 }), ...change },
});
const drill = (seconds: number, change: Partial<Exercise['posture']> = {}, who = person()): LimitedDrill => ({
  segment: segment('a', hold(seconds, together(1))),
  exercise: exercise(change),
  school: softSchool,
  person: who,
  shelf,
});
const lasts = (of: LimitedDrill, by: LimitedBy, factor = 1): number =>
  limitTime(
    postureLoads(body, settlePosture(of.exercise.posture, softSchool)),
    { kneeNm: strength.kneeNm * factor, shoulderNm: strength.shoulderNm * factor },
    by,
  ).seconds;
const bend = (most: number, of: LimitedDrill, ankleRangeDeg = 38, step = 5) =>
  axisLimits({ ...of, person: { ...of.person, ankleRangeDeg } }, 'bend', step, most).limits;

describe('strength', () => {
  const budget = conventionsOf(softSchool).holdBudget;

  test('of a hold that was tested: the school’s budget of what gives out first', () => {
    const low = drill(60, { kneeBendDeg: 60, shoulderRaiseDeg: 60 });
    const [first] = axisLimits(low, 'time', 5, 3600).limits;
    expect(first!.from).toBe('strength');
    expect(first!.dose).toBeCloseTo(Math.min(lasts(low, 'legs'), lasts(low, 'arms')) * budget, 6);
    expect(axisLimits(drill(60, { seated: true }), 'time', 5, 3600).limits).toEqual([]);
    expect(axisLimits(low, 'repetitions', 1, 9).limits).toEqual([]);
  });

  test('of one that is only guessed: the far end of what it may be, so that nobody is held back by a guess', () => {
    const low = drill(60, { kneeBendDeg: 60, shoulderRaiseDeg: 0 }, person({ capacity: capacityWith(true, true) }));
    const [first] = axisLimits(low, 'time', 5, 7200).limits;
    expect(first!.from).toBe('guess');
    expect(first!.dose).toBeCloseTo(lasts(low, 'legs', 1.3), 6);
    expect(first!.reason).toContain('a guess');
  });

  test('holds given in breaths have the same limit, in breaths', () => {
    const seconds = axisLimits(drill(60, { kneeBendDeg: 60 }), 'time', 5, 3600).limits[0]!.dose;
    const breaths = {
      ...drill(60, { kneeBendDeg: 60 }),
      segment: segment('a', breathe(6, pattern(4, 0, 5, 0))),
    };
    const [first] = axisLimits(breaths, 'breaths', 1, 400).limits;
    expect(first!.dose).toBe(Math.floor(seconds / 9 + 1e-6));
  });

  test('a doubt comes from the likely value, a danger from the whole range', () => {
    const settled = settlePosture(exercise({ kneeBendDeg: 60 }).posture, softSchool);
    const of = (legs: boolean) => holdLimits({ body, capacity: capacityWith(legs, legs) }, settled, softSchool);
    const [guess] = of(true);
    const grades = [0.8, 0.9, 1.2].map((share) => holdGrade(of(true), guess!.likely * share)?.grade ?? null);
    expect(grades).toEqual([null, 'doubt', 'doubt']);
    expect(holdGrade(of(true), guess!.far + 1)!.grade).toBe('danger');
    const [tested] = of(false);
    expect(holdGrade(of(false), tested!.likely * budget - 1)).toBeNull();
    expect(holdGrade(of(false), tested!.likely * budget + 1)!.grade).toBe('doubt');
    expect(holdGrade(of(false), tested!.far + 1)!.grade).toBe('danger');
    // What is asked never goes as far as what would be called a danger.
    expect(guess!.seconds).toBeLessThanOrEqual(guess!.far);
    expect(tested!.seconds).toBeLessThanOrEqual(tested!.far);
    expect(holdLimits({ body, capacity: known }, settled, strictSchool)[0]!.seconds).toBeGreaterThan(0);
  });
});

describe('alignment', () => {
  test('a bend ends with the last step before the heels would lift', () => {
    const stood = settlePosture(exercise().posture, softSchool);
    const limit = balanceLimit(body, stanceOfPosture(stood), 20)!;
    expect(limit).toBeLessThan(toeLineBend(body, stanceOfPosture(stood))!);
    expect(bend(120, drill(10), 20)[0]).toMatchObject({ dose: 5 * Math.floor(limit / 5), from: 'alignment' });
    expect(bend(120, drill(10), 20, 1)[0]).toMatchObject({ dose: Math.floor(limit), from: 'alignment' });
  });

  test('or before the knees pass the toe line, where the ankles give way', () => {
    const line = toeLineBend(body, stanceOfPosture(settlePosture(exercise().posture, softSchool)))!;
    const [found] = bend(120, drill(10), 80, 1);
    expect(found!.from).toBe('alignment');
    expect(found!.dose).toBeGreaterThanOrEqual(Math.floor(line));
    expect(found!.dose).toBeLessThan(line + 5);
  });

  test('or with the last step whose hold the legs still last; both stand in the list, the smaller first', () => {
    const found = bend(120, drill(120), 80, 1);
    expect(found.map(({ from }) => from)).toEqual(['strength', 'alignment']);
    const { dose } = found[0]!;
    const budget = conventionsOf(softSchool).holdBudget;
    expect(lasts(drill(120, { kneeBendDeg: dose }), 'legs') * budget).toBeGreaterThanOrEqual(120);
    expect(lasts(drill(120, { kneeBendDeg: dose + 1 }), 'legs') * budget).toBeLessThan(120);
  });

  test('nothing limits up to a target that all allow, nor what is sat', () => {
    const [{ dose } = { dose: 0 }] = bend(120, drill(10), 20);
    expect(bend(dose, drill(10), 20)).toEqual([]);
    expect(bend(dose + 5, drill(10), 20)).toHaveLength(1);
    expect(bend(120, drill(10, { seated: true }), 20)).toEqual([]);
  });

  test('a bow has its own line and step', () => {
    const bow = { ahead: 2, weightShare: 0.7, otherToesOutDeg: 45 };
    const who = person({ ankleRangeDeg: 80 });
    const [length] = axisLimits(drill(10, bow, who), 'length', 0.1, 6).limits;
    expect(length).toMatchObject({ from: 'alignment' });
    expect(length!.dose).toBeGreaterThan(1);
    expect(length!.dose).toBeLessThan(6);
  });
});

describe('what is noted of the person', () => {
  const having = (...noted: Noted[]): KnownBody =>
    person({ noted, capacity: { ...known, kneeNm: 900, shoulderNm: 300 } });

  test('a stand is no longer than the condition allows, in seconds and in breaths', () => {
    const pregnant = having(notedCondition('pregnancy'));
    expect(axisLimits(drill(60, {}, pregnant), 'time', 10, 300).limits).toMatchObject([
      { dose: 180, from: 'noted', reason: 'as much as is asked with pregnancy' },
    ]);
    const breaths = { ...drill(60, {}, pregnant), segment: segment('a', breathe(6, pattern(4, 0, 5, 0))) };
    expect(axisLimits(breaths, 'breaths', 1, 60).limits).toMatchObject([{ dose: 20, from: 'noted' }]);
    expect(axisLimits(drill(60, {}, pregnant), 'time', 10, 180).limits).toEqual([]);
  });

  test('a bend is no deeper; the teacher’s own words stand as they are', () => {
    expect(bend(60, drill(10, {}, having(notedCondition('knee pain'))))[0]).toMatchObject({ dose: 20, from: 'noted' });
    const own = notedOwn(OwnLimitsSchema.parse({ id: 'o', words: 'new lenses', bendDeg: 25 }));
    expect(bend(60, drill(10, {}, having(own)))[0]).toMatchObject({
      dose: 25,
      reason: expect.stringContaining('new lenses') as string,
    });
  });

  test('where another drill is done the goal stays where it stands, and says so', () => {
    const sore = having(notedCondition('knee pain'));
    const squats: LimitedDrill = {
      ...drill(60, {}, sore),
      segment: segment('a', cycle(3, together(27)), { exerciseId: 'squat-and-bounce' }),
      exercise: shelf.get('squat-and-bounce')!,
    };
    const { limits, instead } = axisLimits(squats, 'repetitions', 1, 54);
    expect(instead!.segment.exerciseId).not.toBe('squat-and-bounce');
    expect(limits).toMatchObject([{ dose: 27, from: 'instead' }]);
    expect(limits[0]!.reason).toContain('is done instead');
  });

  test('a hand on something limits nothing', () => {
    const unsteady = having(notedCondition('poor balance'));
    const stand: LimitedDrill = {
      ...drill(30, {}, unsteady),
      segment: segment('a', hold(30, eachSide(1)), { exerciseId: 'empty-full' }),
      exercise: shelf.get('empty-full')!,
    };
    expect(axisLimits(stand, 'time', 5, 60)).toMatchObject({ limits: [], instead: null });
  });
});
