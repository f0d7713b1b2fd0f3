import { builtInExercises, newSegment, newStrand, softSchool } from '@pomek/core';
import { goalEnds } from './goal-ends';

const tree = builtInExercises.find(({ id }) => id === 'tree-holding')!;
const strand = newStrand('s', newSegment('segment-1', tree, softSchool), tree, 'time', 120, '2026-05-04', softSchool);

test('a goal that is reached says so, whatever the weeks ahead hold; else its day, or that there is none', () => {
  const never = { earliestDay: null, inTime: false, doseOnTargetDay: 90 };
  const late = { earliestDay: '2026-06-01', inTime: false, doseOnTargetDay: 90 };
  expect(goalEnds({ ...strand, level: 120 }, never)).toEqual({ ends: 'reached', late: false });
  expect(goalEnds({ ...strand, level: 120 }, undefined)).toEqual({ ends: 'reached', late: false });
  expect(goalEnds(strand, never)).toEqual({ ends: 'not reached', late: true });
  expect(goalEnds(strand, late)).toEqual({ ends: '1 Jun 2026', late: true });
  expect(goalEnds(strand, { ...late, inTime: true })).toEqual({ ends: '1 Jun 2026', late: false });
  expect(goalEnds(strand, undefined)).toEqual({ ends: '', late: false });
});
