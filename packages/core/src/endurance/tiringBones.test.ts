import { standardBody } from '../body';
import { stillPose } from '../figure';
import { posture } from '../library/describe';
import { softSchool } from '../schools';
import { loadedJoints } from './strength';
import { tiringBones } from './tiringBones';

const pose = (weightShare: number) => stillPose(standardBody, { ...posture(), weightShare }, softSchool, 'right');

test('the leg that carries more is the one that tires, both where they carry alike', () => {
  expect(tiringBones('knee', pose(0.5))).toEqual(['left thigh', 'right thigh']);
  expect(tiringBones('knee', pose(0.7))).toEqual(['right thigh']);
  expect(tiringBones('ankle', pose(1))).toEqual(['right shin']);
});

test('arms tire together, the back in its middle, and no joint tires without a place', () => {
  expect(tiringBones('shoulder', pose(0.7))).toEqual([
    'left collar',
    'left upper arm',
    'right collar',
    'right upper arm',
  ]);
  expect(tiringBones('trunk', pose(0.5))).toEqual(['pelvis', 'belly']);
  for (const joint of loadedJoints) expect(tiringBones(joint, pose(0.5)).length).toBeGreaterThan(0);
});
