import { standardBody } from '../body';
import { builtInExercises, PostureSchema, type Posture } from '../library';
import { softSchool } from '../schools';
import { draggedPosture, postureHandles } from './draggedPosture';
import { draggedParts, type DraggedPart } from './dragged';
import { stillPose } from './figurePose';
import { add, lengthOf, minus, type Point3 } from './point3';
import type { FigurePose } from './pose';

const stands = builtInExercises.filter(({ family }) => family === 'standing');
const tree = builtInExercises.find(({ id }) => id === 'tree-holding')!.posture;
const stand = (posture: Posture): FigurePose => stillPose(standardBody, posture, softSchool, 'right');
const handle = (pose: FigurePose, part: DraggedPart): Point3 =>
  postureHandles(pose).find((one) => one.part === part)!.at;
const drag = (posture: Posture, part: DraggedPart, by: Point3): Posture => {
  const pose = stand(posture);
  return draggedPosture(posture, pose, stand, part, add(handle(pose, part), by));
};
const none = { x: 0, y: 0, z: 0 };

test('what is taken and not moved stays as it is, and what comes out is a posture', () => {
  for (const { id, posture } of stands)
    for (const { part, at } of postureHandles(stand(posture))) {
      const after = draggedPosture(posture, stand(posture), stand, part, at);
      expect([id, part, PostureSchema.safeParse(after).success]).toEqual([id, part, true]);
      expect([id, part, lengthOf(minus(handle(stand(after), part), at)) < 0.025]).toEqual([id, part, true]);
    }
});

test('hands go where they are taken, both alike, as near as raised and bent arms come', () => {
  const before = stand(tree);
  for (const by of [
    { x: 0.05, y: 0.15, z: 0 },
    { x: -0.1, y: -0.2, z: 0 },
  ]) {
    const after = drag(tree, 'hand', by);
    const off = lengthOf(minus(handle(stand(after), 'hand'), add(handle(before, 'hand'), by)));
    expect(off).toBeLessThan(0.06);
    const { arms } = stand(after);
    expect(arms.left.hand.y).toBeCloseTo(arms.right.hand.y, 6);
  }
  const high = drag(tree, 'hand', { x: 0, y: 0.3, z: 0 });
  expect(high.shoulderRaiseDeg).toBeGreaterThan(tree.shoulderRaiseDeg + 10);
});

test('the pelvis sinks and shifts, the trunk leans and bends, the head looks', () => {
  const low = drag(tree, 'pelvis', { x: 0, y: -0.06, z: 0 });
  expect(low.kneeBendDeg).toBeGreaterThan(tree.kneeBendDeg + 10);
  const right = drag(tree, 'pelvis', { x: 0, y: 0, z: 0.08 });
  expect(right.weightShare).toBeGreaterThan(0.6);
  expect(drag(tree, 'pelvis', { x: 0, y: 0, z: -0.3 }).weightShare).toBe(0.5);
  const bowed = drag(tree, 'trunk', { x: 0.2, y: -0.05, z: 0.06 });
  expect(bowed.trunkPitchDeg).toBeGreaterThan(20);
  expect(bowed.shape!.trunk!.asideDeg).toBeGreaterThan(3);
  expect(drag(tree, 'trunk', { x: 0.2, y: -0.03, z: 0 }).shape).toEqual(tree.shape);
  expect(drag(tree, 'head', { x: -0.02, y: 0.1, z: 0 }).shape!.head!.nodDeg).toBeLessThan(-10);
});

test('feet are set apart and ahead, and only the foot that carries nothing is lifted', () => {
  const wide = drag(tree, 'foot', { x: 0, y: 0, z: 0.2 });
  expect(wide.stanceWidth).toBeGreaterThan(tree.stanceWidth + 0.3);
  expect(drag(tree, 'foot', { x: 0.3, y: 0, z: 0 }).ahead).toBeGreaterThan(0.8);
  const lifted = drag(tree, 'otherFoot', { x: 0, y: 0.15, z: 0 });
  expect([lifted.otherLifted, lifted.weightShare]).toEqual([true, 1]);
  expect(drag(tree, 'foot', { x: 0, y: 0.15, z: 0 }).otherLifted).toBe(false);
  // With weight on it again it is down.
  expect(drag(lifted, 'pelvis', { x: 0, y: 0, z: -0.1 }).otherLifted).toBe(false);
});

test('hands that lay on the body lie there no more once they are taken', () => {
  const breathing = builtInExercises.find(({ posture }) => posture.shape?.arm?.on != null)!.posture;
  expect(drag(breathing, 'hand', { x: 0.1, y: 0.1, z: 0 }).shape!.arm!.on).toBeNull();
  expect(drag(breathing, 'hand', none).shape!.otherArm?.on ?? null).toBeNull();
});

test('a posture has no turn of its own', () => {
  expect(postureHandles(stand(tree)).map(({ part }) => part)).toEqual(
    draggedParts
      .filter((part) => part !== 'turn' && part !== 'otherHand')
      .toSorted((a, b) => order.indexOf(a) - order.indexOf(b)),
  );
});
const order = ['pelvis', 'trunk', 'head', 'otherFoot', 'foot', 'hand'];
