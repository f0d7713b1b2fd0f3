import type { Family } from '../library';
import { posture } from '../library/describe';
import { shelf } from '../testing/samples';
import { loadsJoints, loadsPlace } from './loadsPlace';

test('sitting, and breathing in an easy stand, loads no joint; arms are loaded by what raises or moves them', () => {
  const drill = (family: Family, change = {}) => ({
    family,
    movements: [],
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

test('a sore leg is spared by what is breathed or closed in an easy stand (common practice)', () => {
  for (const id of ['rub-down', 'tapping', 'gathering-home', 'opening-closing', 'belly-breathing', 'face-to-feet'])
    for (const place of ['knee', 'hip', 'ankle or foot'] as const)
      expect([id, loadsPlace(shelf.get(id)!, place)]).toEqual([id, false]);
  for (const id of ['shake-out', 'rise-and-sink', 'joint-circles', 'leg-swings', 'tree-holding', 'neutral-stance'])
    expect([id, loadsPlace(shelf.get(id)!, 'knee')]).toEqual([id, true]);
  // What moves the arms is no rest for the back, neck or shoulder.
  expect(loadsPlace(shelf.get('gathering-home')!, 'shoulder')).toBe(true);
  expect(loadsPlace(shelf.get('opening-closing')!, 'low back')).toBe(true);
});

test('a seated stretch that twists hip and knee loads them, and nothing else (common practice)', () => {
  const stretch = shelf.get('hip-stretch')!;
  expect((['knee', 'hip', 'low back'] as const).map((place) => loadsPlace(stretch, place))).toEqual([true, true, true]);
  expect((['shoulder', 'elbow or wrist', 'neck'] as const).map((place) => loadsPlace(stretch, place))).toEqual([
    false,
    false,
    false,
  ]);
  expect(loadsPlace(shelf.get('four-part-breath')!, 'knee')).toBe(false);
  // Without a place, whatever could hurt is taken to.
  expect(loadsPlace(stretch, null)).toBe(true);
});
