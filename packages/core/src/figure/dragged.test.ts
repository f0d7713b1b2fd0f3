import { standardBody } from '../body';
import { builtInExercises, KeyframeSchema, type Exercise, type Keyframe } from '../library';
import { settlePosture, softSchool } from '../schools';
import { cycleMoment } from './cycleMoment';
import { draggedFrame, draggedParts, handlesOf, outOfReach, type DraggedPart } from './dragged';
import { figurePose } from './figurePose';
import { add, lengthOf, minus, mixed, type Point3 } from './point3';
import type { FigurePose, FootSide } from './pose';

const reel = builtInExercises.find(({ id }) => id === 'one-hand-reeling')!;
const settled = settlePosture(reel.posture, softSchool);

/** An exercise that stands in one place all the time. */
const standing = (frame: Keyframe): Exercise => ({
  ...reel,
  handLoads: false,
  phases: [{ ...reel.phases[0]!, via: [], share: 1, end: frame }],
});
const poseOf = (frame: Keyframe, working: FootSide = 'right'): FigurePose =>
  figurePose(standardBody, settled, cycleMoment(standing(frame), softSchool, 0.999)!, working);
const start: Keyframe = {
  ...reel.phases[1]!.end!,
  weight: 0.5,
  turnDeg: 0,
  shape: null,
  otherHand: { out: 0.4, forward: 0.6, up: 0.3 },
};
const handle = (pose: FigurePose, part: DraggedPart): Point3 => handlesOf(pose).find((one) => one.part === part)!.at;
const drag = (frame: Keyframe, part: DraggedPart, by: Point3, working: FootSide = 'right'): Keyframe => {
  const pose = poseOf(frame, working);
  return draggedFrame(frame, reel.posture, pose, part, add(handle(pose, part), by));
};
const none = { x: 0, y: 0, z: 0 };

test('what is taken and not moved stays as it is', () => {
  const pose = poseOf(start);
  for (const part of draggedParts) {
    const after = poseOf(drag(start, part, none));
    for (const other of draggedParts)
      expect([part, other, lengthOf(minus(handle(after, other), handle(pose, other))) < 0.02]).toEqual([
        part,
        other,
        true,
      ]);
  }
});

test.each(['right', 'left'] as const)('a hand goes where it is taken, working on the %s', (working) => {
  for (const part of ['hand', 'otherHand'] as const) {
    const by = { x: 0.06, y: 0.08, z: working === 'right' ? 0.05 : -0.05 };
    const before = handle(poseOf(start, working), part);
    const after = handle(poseOf(drag(start, part, by, working), working), part);
    expect(lengthOf(minus(after, add(before, by)))).toBeLessThan(0.012);
  }
});

test('a hand that lay on the body lies there no more once it is taken', () => {
  const lying: Keyframe = { ...reel.phases[1]!.end! };
  expect(lying.shape?.otherArm?.on).toBe('hip');
  const taken = drag(lying, 'otherHand', { x: 0.1, y: 0.1, z: 0 });
  expect(taken.shape?.otherArm?.on).toBeNull();
  expect(taken.otherHand).not.toBeNull();
});

test('a foot is set wider and ahead, and lifted only without weight', () => {
  const wider = drag(start, 'foot', { x: 0.13, y: 0, z: 0.1 });
  expect(wider.ahead).toBeCloseTo(0.13 / standardBody.lengths.foot, 1);
  expect(wider.stanceWidth! - 1.4).toBeCloseTo(0.1 / standardBody.lengths.shoulderBreadth, 1);
  const up = drag(start, 'otherFoot', { x: 0, y: 0.12, z: 0 });
  expect(up).toMatchObject({ lifted: 'other', weight: 1 });
  expect(drag(up, 'otherFoot', { x: 0, y: -0.3, z: 0 })).toMatchObject({ lifted: 'none' });
});

test('the pelvis sinks by as much as it is taken down, and takes the weight along', () => {
  const lower = drag({ ...start, bendDeg: 20 }, 'pelvis', { x: 0, y: -0.08, z: 0 });
  const sunk = poseOf({ ...start, bendDeg: 20 }).pelvis.y - poseOf(lower).pelvis.y;
  expect(sunk).toBeGreaterThan(0.06);
  expect(sunk).toBeLessThan(0.1);
  const shifted = drag(start, 'pelvis', { x: 0, y: 0, z: 0.08 });
  expect(shifted.weight).toBeGreaterThan(0.6);
  expect(drag(start, 'pelvis', { x: 0, y: 0, z: 2 }).weight).toBe(1);
});

test('the pelvis turns, the trunk leans and bends aside, the head looks where it is taken', () => {
  expect(drag(start, 'turn', { x: -0.28 + 0.28 * Math.SQRT1_2, y: 0, z: 0.28 * Math.SQRT1_2 }).turnDeg).toBe(45);
  const leaning = drag(start, 'trunk', { x: 0.2, y: -0.05, z: 0 });
  expect(leaning.shape?.trunk?.leanDeg).toBeGreaterThan(15);
  expect(drag(start, 'trunk', { x: 0, y: 0, z: 0.12 }).shape?.trunk?.asideDeg).toBeGreaterThan(8);
  const looking = drag(start, 'head', { x: -0.1, y: -0.1, z: 0.15 });
  expect(looking.shape?.head?.turnDeg).toBeGreaterThan(30);
  expect(looking.shape?.head?.nodDeg).toBeGreaterThan(15);
});

test('whatever is taken wherever, the stand can be kept', () => {
  for (const part of draggedParts)
    for (const by of [
      { x: 9, y: 9, z: 9 },
      { x: -9, y: -9, z: -9 },
      { x: 0, y: 0, z: -0.5 },
    ])
      expect([part, KeyframeSchema.safeParse(drag(start, part, by)).success]).toEqual([part, true]);
});

test('a hand that cannot come so far is told, by how much', () => {
  expect(outOfReach(poseOf(start), start)).toEqual([]);
  const far: Keyframe = { ...start, hand: { out: 0.4, forward: 2.6, up: 1 } };
  const [missed, ...more] = outOfReach(poseOf(far), far);
  expect(more).toEqual([]);
  expect(missed!.part).toBe('hand');
  const pose = poseOf(far);
  const { shoulder, wrist, hand } = pose.arms.right;
  const palm = mixed(wrist, hand, 0.5);
  expect(lengthOf(minus(palm, shoulder))).toBeCloseTo(
    standardBody.lengths.upperArm + standardBody.lengths.forearm + standardBody.lengths.hand / 2,
    3,
  );
  expect(missed!.short).toBeGreaterThan(0.2);
});
