import { balanceLimit, bodyOf, toeLineBend } from '../body';
import { limitTime, postureLoads } from '../endurance';
import type { LimitedBy } from '../endurance/limits';
import type { FindingContext, Part } from '../findings/finding';
import { hold, posture, together } from '../library/describe';
import { conventionsOf, settlePosture, softSchool, stanceOfPosture } from '../schools';
import { routine, segment, shelf, strand } from '../testing/samples';
import { loadsJoints, loadsPlace } from './loadsPlace';
import { mostDose } from './mostDose';

const body = bodyOf({ stature: 1.7, mass: 70 });
const capacity = { kneeNm: 150, shoulderNm: 45, spread: { legs: 1, arms: 1 } };
const tree = shelf.get('tree-holding')!;
const exercise = { ...tree, posture: posture({ kneeBendDeg: 30 }) };
const part = (seconds: number, change: Partial<typeof exercise.posture> = {}): Part => ({
  segment: segment('a', hold(seconds, together(1))),
  exercise: { ...exercise, posture: { ...exercise.posture, ...change } },
  index: 0,
});
const contextOf = (ankleRangeDeg: number): FindingContext => ({
  routine: routine([part(60).segment]),
  exercises: shelf,
  school: softSchool,
  person: {
    name: 'Nela',
    body,
    capacity: { ...capacity, legs: { from: 'test' }, arms: { from: 'test' } } as never,
    ankleRangeDeg,
    restingBreath: null,
    noted: [],
    learned: null,
    reached: [],
  },
  effort: null,
  newId: () => '',
});
const both: readonly LimitedBy[] = ['legs', 'arms'];
const lasts = (of: Part, by: LimitedBy): number =>
  limitTime(postureLoads(body, settlePosture(of.exercise.posture, softSchool)), capacity, by).seconds *
  conventionsOf(softSchool).holdBudget;
const bend = (target: number, of: Part, ankleRangeDeg = 38, step = 5, joints = both) =>
  mostDose(strand({ axis: 'bend', step, start: 10, level: 30, target }), of, contextOf(ankleRangeDeg), joints);

describe('the largest dose the body allows', () => {
  test('of a hold is what legs or arms last within the budget of the school, whichever is known', () => {
    const low = part(60, { kneeBendDeg: 60, shoulderRaiseDeg: 60 });
    const most = (joints: readonly LimitedBy[]) => mostDose(strand({ axis: 'time' }), low, contextOf(38), joints);
    expect(most(['legs'])).toEqual({ dose: expect.closeTo(lasts(low, 'legs'), 6) as number, by: 'capacity' });
    expect(most(['arms'])!.dose).toBeCloseTo(lasts(low, 'arms'), 6);
    expect(most(both)!.dose).toBeCloseTo(Math.min(lasts(low, 'legs'), lasts(low, 'arms')), 6);
    expect(most([])).toBeNull();
    expect(mostDose(strand({ axis: 'time' }), part(60, { seated: true }), contextOf(38), both)).toBeNull();
    expect(mostDose(strand({ axis: 'repetitions' }), low, contextOf(38), both)).toBeNull();
  });

  test('of a bend is the last step before the heels would lift', () => {
    const limit = balanceLimit(body, stanceOfPosture(settlePosture(exercise.posture, softSchool)), 20)!;
    expect(limit).toBeLessThan(toeLineBend(body, stanceOfPosture(settlePosture(exercise.posture, softSchool)))!);
    expect(bend(120, part(10), 20)).toEqual({ dose: 5 * Math.floor(limit / 5), by: 'alignment' });
    expect(bend(120, part(10), 20, 1)).toEqual({ dose: Math.floor(limit), by: 'alignment' });
  });

  test('of a bend is the last step before the knees pass the toe line where the ankles give way', () => {
    const line = toeLineBend(body, stanceOfPosture(settlePosture(exercise.posture, softSchool)))!;
    const found = bend(120, part(10), 80, 1)!;
    expect(found.by).toBe('alignment');
    // What is seen as past the line is a little more than the line itself.
    expect(found.dose).toBeGreaterThanOrEqual(Math.floor(line));
    expect(found.dose).toBeLessThan(line + 5);
  });

  test('of a bend is the last step whose hold the legs still last', () => {
    const found = bend(120, part(120), 80, 1, ['legs'])!;
    expect(found.by).toBe('capacity');
    expect(lasts(part(120, { kneeBendDeg: found.dose }), 'legs')).toBeGreaterThanOrEqual(120);
    expect(lasts(part(120, { kneeBendDeg: found.dose + 1 }), 'legs')).toBeLessThan(120);
    // Of limbs that are not known nothing is said.
    expect(bend(120, part(120), 80, 1, [])!.by).toBe('alignment');
  });

  test('is nothing up to a target that it allows, the last step among it, nor of what is sat', () => {
    const { dose } = bend(120, part(10), 20)!;
    expect(bend(dose, part(10), 20)).toBeNull();
    expect(bend(dose + 5, part(10), 20)).toEqual({ dose, by: 'alignment' });
    expect(bend(120, part(10, { seated: true }), 20)).toBeNull();
  });

  test('of a posture that is forbidden from its least on is left to the findings', () => {
    expect(bend(40, part(7200, { shoulderRaiseDeg: 90 }), 80, 5, ['arms'])).toBeNull();
  });

  test('of a bow is its own line and step', () => {
    const bow = { ahead: 2, weightShare: 0.7, otherToesOutDeg: 45 };
    const length = mostDose(
      strand({ axis: 'length', step: 0.1, start: 1, level: 2, target: 6 }),
      part(10, bow),
      contextOf(80),
      both,
    );
    expect(length).toMatchObject({ by: 'alignment' });
    expect(length!.dose).toBeGreaterThan(1);
    expect(length!.dose).toBeLessThan(6);
  });
});

test('sitting, and breathing in an easy stand, loads no joint; arms are loaded by what raises or moves them', () => {
  const drill = (family: typeof tree.family, change = {}) => ({
    family,
    posture: { ...posture({ kneeBendDeg: 10 }), shoulderRaiseDeg: 15, ...change },
  });
  expect(loadsJoints(drill('breathing'))).toBe(false);
  expect(loadsJoints(drill('breathing', { kneeBendDeg: 11 }))).toBe(true);
  expect(loadsJoints(drill('breathing', { shoulderRaiseDeg: 16 }))).toBe(true);
  expect(loadsJoints(drill('standing'))).toBe(true);
  expect(loadsJoints(drill('standing', { seated: true }))).toBe(false);
  expect(loadsPlace(drill('standing'), null)).toBe(true);
  expect(loadsPlace(drill('standing'), 'knee')).toBe(true);
  expect(loadsPlace(drill('standing'), 'shoulder')).toBe(false);
  expect(loadsPlace(drill('standing', { shoulderRaiseDeg: 16 }), 'shoulder')).toBe(true);
  expect(loadsPlace(drill('reeling'), 'elbow or wrist')).toBe(true);
  expect(loadsPlace(drill('breathing'), 'shoulder')).toBe(false);
});
