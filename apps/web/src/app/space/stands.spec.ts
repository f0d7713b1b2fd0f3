import { bodyOf, builtInExercises, softSchool, stillPose } from '@pomek/core';
import { between, draggedTo, extentOf, stands, turnedByKey } from '@pomek/space';

const tree = builtInExercises.find(({ id }) => id === 'tree-holding')!;
const pose = stillPose(bodyOf({ stature: 1.7, mass: 70 }), tree.posture, softSchool, 'right');

test('one turns to another view softly and by the shorter way', () => {
  const [from, to] = [
    { roundDeg: 350, upDeg: 0 },
    { roundDeg: 10, upDeg: 8 },
  ];
  expect(between(from, to, 0)).toEqual(from);
  expect(between(from, to, 0.5)).toEqual({ roundDeg: 360, upDeg: 4 });
  expect(between(from, to, 1)).toEqual({ roundDeg: 370, upDeg: 8 });
});

test('dragging and the arrow keys turn it, and nobody comes below the floor', () => {
  expect(draggedTo(stands.front, 100, 0)).toEqual({ roundDeg: 45, upDeg: 8 });
  expect(draggedTo(stands.front, 0, -1000).upDeg).toBe(-4);
  expect(turnedByKey(stands.front, 'ArrowRight')).toEqual({ roundDeg: 15, upDeg: 8 });
  expect(turnedByKey(stands.above, 'ArrowUp')!.upDeg).toBe(88);
  expect(turnedByKey(stands.front, 'a')).toBeNull();
});

test('all that a body reaches is seen, and never less than the body itself', () => {
  expect(extentOf(pose).highest).toBeCloseTo(1.03 * 1.7);
  expect(extentOf(pose, { highest: 2.1, reach: 0.9 })).toEqual({ highest: 2.1 + 0.06, reach: 0.9 });
  expect(extentOf(pose, { reach: 0.1 }).reach).toBeGreaterThanOrEqual(0.42);
});
