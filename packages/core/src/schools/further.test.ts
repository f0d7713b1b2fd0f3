import { standardBody } from '../body';
import { bestView, cycleMoment, figurePose, floorPlan, stillMoment } from '../figure';
import { exerciseContradictions } from '../findings';
import { builtInExercises, type Exercise } from '../library';
import { newSegment } from '../routine';
import { shelf } from '../testing/samples';
import { conventionsOf, schoolQuestions, settlePosture, softSchool, spokenExercise, type School } from '.';

const of = (id: string): Exercise => shelf.get(id)!;

describe('the further questions on which schools differ (common practice)', () => {
  const reel = of('one-hand-reeling');
  const two = of('two-hand-reeling');
  const bow = of('forward-reeling');
  const at = (drill: typeof reel, school: School, place: number) => cycleMoment(drill, school, place)!;
  const soft = (change: Partial<School>): School => ({ ...softSchool, ...change });

  test('shift first, then turn; or both together, arriving at once', () => {
    // Half way through the shift of the first count: alone, the turn has not begun; together, it has.
    expect(at(reel, softSchool, 0.125).turnDeg).toBeCloseTo(45, 6);
    const joined = soft({ shiftTurn: 'together' });
    const [start, middle, end] = [0, 0.25, 0.499].map((place) => at(reel, joined, place));
    expect([start!.weight, start!.turnDeg]).toEqual([0.7, 45]);
    expect(middle!.weight).toBeCloseTo(0.5, 6);
    expect(middle!.turnDeg).toBeCloseTo(0, 6);
    expect(end!.weight).toBeCloseTo(0.3, 2);
    expect(end!.turnDeg).toBeCloseTo(-45, 1);
    // What moves together already is left as it is.
    const clouds = of('cloud-hands-in-place');
    for (const place of [0.1, 0.3, 0.7]) expect(at(clouds, joined, place)).toEqual(at(clouds, softSchool, place));
  });

  test('the hand on the side that loads rises, or the other: the legs are exchanged, in figure and words alike', () => {
    const other = soft({ risingHand: 'emptying' });
    for (const drill of [reel, two])
      for (const place of [0, 0.2, 0.4, 0.6, 0.8])
        expect(at(drill, other, place).weight).toBeCloseTo(1 - at(drill, softSchool, place).weight, 9);
    const lifts = (school: School) => spokenExercise(reel, school, 'right').phases[2]!.name;
    expect(lifts(softSchool)).toContain('to the right leg; the palm lifts');
    expect(lifts(other)).toContain('to the left leg; the palm lifts');
    expect(spokenExercise(two, other, 'both').summary).toContain('the side that empties rises');
    // Where the palm is at the neck the rising hand’s own leg is full, or empty.
    const atNeck = 0.7499;
    expect(at(reel, softSchool, atNeck).weight).toBeGreaterThan(0.6);
    expect(at(reel, other, atNeck).weight).toBeLessThan(0.4);
  });

  test('seven tenths ahead, all of it behind', () => {
    const behind = soft({ farEnds: 'all behind' });
    const far = (school: School) => [0, 0.4999, 0.9999].map((place) => at(bow, school, place).weight);
    expect(Math.max(...far(behind))).toBeCloseTo(0.7, 2);
    expect(Math.min(...far(behind))).toBeCloseTo(0, 2);
    expect(Math.min(...far(softSchool))).toBeCloseTo(0.3, 2);
    expect(spokenExercise(of('weight-drill-alone'), behind, 'left').phases[0]!.name).toContain('all the weight');
  });

  test('a plain stance is as wide as the school’s, every other as it is written; words and floor agree', () => {
    const words: Record<School['width'], string> = {
      together: 'heels together',
      fist: 'a fist between the heels',
      hip: 'hip width',
      shoulder: 'shoulder width',
      wider: 'wider than the shoulders',
    };
    const across = (school: School, exercise: typeof reel) =>
      floorPlan(
        figurePose(
          standardBody,
          settlePosture(exercise.posture, school),
          stillMoment({ posture: settlePosture(exercise.posture, school) }),
          'right',
        ),
      ).acrossCm;
    const shoulders = standardBody.lengths.shoulderBreadth * 100;
    const widths = Object.entries(words).map(([width, said]) => {
      const school = soft({ width: width as School['width'] });
      expect(spokenExercise(of('opening-arms'), school, 'both').wayIn[0]).toContain(said);
      return across(school, of('opening-arms')) / shoulders;
    });
    [0.2, 0.4, 0.75, 1, 1.3].forEach((width, index) => expect(widths[index]).toBeCloseTo(width, 2));
    expect(across(soft({ width: 'fist' }), of('wide-rider'))).toBe(across(softSchool, of('wide-rider')));
  });

  test('hips that stay, knees of an arch, a heel that comes up, legs never straight, eyes', () => {
    const pose = (drill: typeof reel, school: School, place: number) =>
      figurePose(standardBody, settlePosture(drill.posture, school), at(drill, school, place), 'right');
    expect(pose(reel, softSchool, 0).hipTurnDeg).toBeCloseTo(45, 6);
    expect(pose(reel, soft({ turns: 'waist' }), 0)).toMatchObject({ hipTurnDeg: 0, turnDeg: expect.closeTo(45, 6) });
    const knees = (school: School) => {
      const { legs } = pose(of('opening-arms'), school, 0.9);
      return legs.right.knee.z - legs.left.knee.z;
    };
    expect(knees(soft({ shins: 'arched' }))).toBeGreaterThan(knees(softSchool) + 0.01);
    const heel = (school: School) => pose(bow, school, 0.4999).feet.left.heel.y;
    expect(heel(softSchool)).toBe(0);
    expect(heel(soft({ rearHeel: 'may lift' }))).toBeGreaterThan(0.02);
    const reach = of('overhead-stretch');
    expect(at(reach, softSchool, 0.5).bendDeg).toBe(0);
    expect(at(reach, soft({ legs: 'bent' }), 0.5).bendDeg).toBe(8);
    // The stretch looks up in every school; where nothing is said of the head, the school says it.
    expect(pose(reach, softSchool, 0.6).lookUpDeg).toBeGreaterThan(0);
    const gathering = of('gathering-home');
    expect(pose(gathering, soft({ eyes: 'up' }), 0.5).lookUpDeg).toBeGreaterThan(0);
    expect(pose(gathering, softSchool, 0.5).lookUpDeg).toBeCloseTo(0, 9);
    expect(pose(reel, soft({ eyes: 'ahead' }), 0).headTurnDeg).toBe(0);
    expect(pose(reel, softSchool, 0).headTurnDeg).toBeCloseTo(45, 6);
  });

  test('brisk loosening takes less time, and nothing else does', () => {
    const brisk = soft({ pace: 'brisk' });
    const dose = (id: string, school: School) => newSegment('s', of(id), school).dose as { cycleSeconds: number };
    expect(dose('joint-circles', brisk).cycleSeconds).toBe(60);
    expect(dose('joint-circles', softSchool).cycleSeconds).toBe(80);
    expect(dose('one-hand-reeling', brisk).cycleSeconds).toBe(11);
  });

  test('every side of every question changes a figure, a word, a dose, a rule or a finding', () => {
    const told = (school: School) =>
      JSON.stringify([
        conventionsOf(school),
        builtInExercises.map((exercise) => spokenExercise(exercise, school, 'right')),
        builtInExercises.map((exercise) => cycleMoment(exercise, school, 0.3)),
        builtInExercises.map((exercise) => newSegment('s', exercise, school)),
        builtInExercises.map((exercise) => exerciseContradictions(exercise, school)),
      ]);
    // Read where the marks are set: a point lost, and the breath of a moving drill.
    const elsewhere = new Set(['precision', 'breathLink']);
    for (const { key, sides } of schoolQuestions) {
      if (elsewhere.has(key)) continue;
      const all = sides.map(({ value }) => told({ ...softSchool, [key]: value }));
      expect([key, new Set(all).size]).toEqual([key, sides.length]);
    }
  });
});

test('a drill is shown from where it moves most: forward ones from the side, sideways ones from the front', () => {
  const view = (id: string) => bestView(of(id), standardBody, softSchool);
  expect(['shift-and-turn', 'cloud-steps', 'one-hand-reeling', 'wide-rider'].map(view)).toEqual(Array(4).fill('front'));
  expect(['forward-reeling', 'opening-arms', 'tree-holding', 'bow-stand', 'cat-walk'].map(view)).toEqual(
    Array(5).fill('side'),
  );
});
