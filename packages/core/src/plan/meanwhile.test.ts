import { bodyOf } from '../body/body';
import { posture } from '../library/describe';
import { softSchool } from '../schools/builtInSchools';
import { settlePosture } from '../schools/conventions';
import { meanwhileWords } from './meanwhile';
import { newPlan } from './newPlan';
import { strand } from '../testing/samples';

const place = {
  posture: settlePosture(posture({ kneeBendDeg: 30 }), softSchool),
  exercise: { twoSided: true },
  body: {
    body: bodyOf({ stature: 1.7, mass: 70 }),
    capacity: { kneeNm: 150, shoulderNm: 45, spread: { legs: 1, arms: 1 }, guessed: { legs: false, arms: false } },
    ankleRangeDeg: 38,
  },
};

test('what is counted may be slower meanwhile, a hold the next of the school’s axes, all else nothing', () => {
  expect(meanwhileWords({ axis: 'repetitions' }, place, softSchool)).toBe('the same, slower');
  expect(meanwhileWords({ axis: 'breaths' }, undefined, softSchool)).toBe('the same, slower');
  expect(meanwhileWords({ axis: 'time' }, place, softSchool)).toBe('bend 40°');
  expect(meanwhileWords({ axis: 'bend' }, place, softSchool)).toBe('');
  expect(meanwhileWords({ axis: 'time' }, undefined, softSchool)).toBe('');
  const seated = { ...place, posture: { ...place.posture, seated: true } };
  expect(meanwhileWords({ axis: 'time' }, seated, softSchool)).toBe('');
  const spent = {
    ...place,
    exercise: { twoSided: false },
    posture: { ...place.posture, kneeBendDeg: 100, shoulderRaiseDeg: 90 },
  };
  expect(meanwhileWords({ axis: 'time' }, spent, softSchool)).toBe('');
});

test('a new plan has the lighter weeks of its school; one that cannot be says why', () => {
  const of = { id: 'p', studentId: 'u', routineId: 'r', startsOn: '2026-01-05' };
  const school = { raise: { ...softSchool.raise, lighterEvery: 5, lighterCut: 0.3 } };
  const made = newPlan(of, [strand()], 0.08, school);
  expect(made.wrong).toBeNull();
  expect(made.plan).toMatchObject({ ...of, growthPerWeek: 0.08, lighterEvery: 5, lighterCut: 0.3 });
  expect(made.plan!.strands).toHaveLength(1);
  const wrong = newPlan({ ...of, startsOn: '2026-13-01' }, [strand()], 0.08, school);
  expect(wrong.plan).toBeNull();
  expect(wrong.wrong).not.toBe('');
});
