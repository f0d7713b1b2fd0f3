import { nearSteps } from './steps';

test('a dose between two steps is asked back with both, one on a step is not', () => {
  expect(nearSteps(36, 8)).toEqual([32, 40]);
  expect(nearSteps(40, 8)).toEqual([]);
  expect(nearSteps(3, 5)).toEqual([5]);
  expect(nearSteps(1.25, 0.1)).toEqual([1.2, 1.3]);
  expect(nearSteps(1.2, 0.1)).toEqual([]);
});
