import { builtInExercises } from '../library/builtInExercises';
import { hold, together } from '../library/describe';
import { softSchool } from '../schools';
import { newStudent } from '../students';
import { TEST_STANCE } from '../endurance';
import type { Measure } from '../students/measure';
import { plan, routine, segment, strand } from '../testing/samples';
import { mostDosesOf, strandPlaces } from './strandPlaces';
import type { Strand } from '.';

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
  strandPlaces(student, measures, plan(strands), two, builtInExercises, softSchool, today);

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

test('what was tested ends a dose, and what is only guessed does not', () => {
  const long = strand({ level: 90 });
  const guessed = placesOf([long]).get('s')!;
  expect(guessed.guessed).toEqual({ legs: true, arms: true });
  expect(guessed.most).toBeNull();
  const legs = placesOf([long], [tested('legs')]);
  expect(legs.get('s')!.guessed).toEqual({ legs: false, arms: true });
  expect(legs.get('s')!.most).toMatchObject({ by: 'capacity' });
  expect(mostDosesOf(plan([long]), legs)).toEqual(new Map([['s', legs.get('s')!.most]]));
  expect(mostDosesOf(plan([long, strand({ id: 'gone' })]), placesOf([long]))).toEqual(new Map());
  expect(placesOf([long], [tested('arms')]).get('s')!.guessed).toEqual({ legs: true, arms: false });
});
