import { hold, together } from '../library/describe';
import { newStudent } from '../students';
import { TEST_STANCE } from '../endurance';
import type { Measure } from '../students/measure';
import { person, plan, routine, segment, strand } from '../testing/samples';
import { mostDosesOf, strandPlaces } from './strandPlaces';
import type { Strand } from '../goals/plan';

const today = '2026-01-08';
const student = newStudent('u', 'Ama', 's');
const tested = (stoppedBy: 'legs' | 'arms'): Measure => ({
  kind: 'hold',
  id: stoppedBy,
  studentId: 'u',
  day: '2026-01-02',
  stance: TEST_STANCE,
  seconds: 60,
  stoppedBy,
});
const two = routine([
  segment('upright', hold(60, together(1)), { exerciseId: 'neutral-stance' }),
  segment('a', hold(60, together(1))),
]);
const bends: Strand = strand({ axis: 'bend', step: 5, start: 20, level: 42, target: 60 });
const placesOf = (strands: Strand[], measures: readonly Measure[] = []) =>
  strandPlaces(plan(strands), person({ student, measures: [...measures], routines: [two] }, today));

test('a strand stands as the plan turned it, beside how the routine has it', () => {
  const place = placesOf([bends]).get('s')!;
  expect(place.exercise.id).toBe('tree-holding');
  expect(place.posture.kneeBendDeg).toBe(40);
  expect(place.base.kneeBendDeg).not.toBe(40);
  expect(place.body).toMatchObject({ ankleRangeDeg: 38, capacity: { kneeNm: expect.any(Number) as number } });
  expect(place.body.body.mass).toBeGreaterThan(0);
});

test('one whose segment is gone has no place', () => {
  const places = placesOf([strand({ id: 'x', segmentId: 'gone' }), strand()]);
  expect([...places.keys()]).toEqual(['s']);
});

test('what was tested ends a dose at the school’s budget; what is only guessed at the far end of what it may be', () => {
  const long = strand({ level: 90, target: 900 });
  const guessed = placesOf([long]).get('s')!;
  expect(guessed.guessed).toEqual({ legs: true, arms: true });
  expect(guessed.most).toMatchObject({ from: 'guess' });
  const legs = placesOf([long], [tested('legs')]).get('s')!;
  expect(legs.guessed).toEqual({ legs: false, arms: true });
  expect(legs.most).toMatchObject({ from: 'strength' });
  expect(legs.most!.dose).toBeLessThan(guessed.most!.dose);
  expect(legs.limits).toContain(legs.most);
  expect(mostDosesOf(placesOf([long, strand({ id: 'short' })]))).toEqual(new Map([['s', guessed.most]]));
  expect(placesOf([long], [tested('arms')]).get('s')!.guessed).toEqual({ legs: true, arms: false });
});
