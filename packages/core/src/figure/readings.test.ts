import { standardBody } from '../body';
import { builtInExercises } from '../library';
import { posture } from '../library/describe';
import { newSegment } from '../routine/commands';
import { builtInSchools, settlePosture, softSchool } from '../schools';
import { cycleMoment, stillMoment } from './cycleMoment';
import { figureLines } from './figureLines';
import { figurePose, stillPose } from './figurePose';
import { layoutFigure, projector } from './figureLayout';
import { dot, lengthOf, minus, mixed, type Point3 } from './point3';
import { regionPlaces } from './regionPlaces';
import { reachOf, shownDrill, shownPose } from './shownDrill';

const tree = builtInExercises.find(({ id }) => id === 'tree-holding')!;
const pose = stillPose(standardBody, tree.posture, softSchool, 'right');
const turned = (turnDeg: number) => {
  const settled = settlePosture(tree.posture, softSchool);
  return figurePose(standardBody, settled, { ...stillMoment({ posture: settled }), turnDeg }, 'right');
};

test('each region of alignment lies on the body, and faces out of it', () => {
  for (const [region, { at, out }] of Object.entries(regionPlaces(pose))) {
    expect([region, lengthOf(out)]).toEqual([region, expect.closeTo(1, 9)]);
    expect([region, at.y > -0.01 && at.y < standardBody.stature]).toEqual([region, true]);
    const ends = [
      pose.pelvis,
      pose.shoulders,
      pose.head,
      ...(['shoulder', 'elbow', 'wrist', 'hand'] as const).map((joint) => pose.arms.right[joint]),
      ...Object.values(pose.legs.right),
    ];
    const joints: Point3[] = [...ends, pose.feet.right.toe];
    const near = Math.min(...joints.map((joint) => lengthOf(minus(at, joint))));
    expect([region, near < 0.3]).toEqual([region, true]);
  }
  const { 'low back': back, ribs, eyes, feet } = regionPlaces(pose);
  expect(back.at.x).toBeLessThan(pose.pelvis.x);
  expect(ribs.at.x).toBeGreaterThan(pose.pelvis.x);
  expect([back.out.x, ribs.out.x, eyes.out.x, feet.out.y].map(Math.round)).toEqual([-1, 1, 1, 1]);
});

test('a trunk that turns takes its regions along', () => {
  const { ribs } = regionPlaces(turned(45));
  expect(dot(ribs.out, { x: Math.SQRT1_2, y: 0, z: Math.SQRT1_2 })).toBeCloseTo(1, 9);
  const { ribs: left } = regionPlaces(turned(-45));
  expect(left.out.z).toBeCloseTo(-ribs.out.z, 9);
});

test('the lines in space are those of the drawings', () => {
  const square = stillPose(standardBody, tree.posture, softSchool, 'right', true);
  for (const view of ['side', 'front', 'behind', 'above'] as const) {
    const at = projector(square, view, 200);
    const lines = new Map(figureLines(square).map((line) => [line.kind, line]));
    const marks = layoutFigure(square, view, 200).marks.filter(({ kind }) => kind !== 'floor');
    expect(marks.length).toBeGreaterThan(0);
    for (const mark of marks) {
      const line = lines.get(mark.kind as 'plumb')!;
      expect({ from: mark.from, to: mark.to }).toEqual({ from: at(line.from), to: at(line.to) });
    }
  }
  const plumb = figureLines(pose).find(({ kind }) => kind === 'plumb')!;
  expect(plumb.from).toEqual(pose.centreOfMass);
  const [straight, now] = ['head straight', 'head now'].map((kind) =>
    figureLines(pose).find((line) => line.kind === kind)!,
  );
  expect(straight!.from.y - now!.from.y).toBeCloseTo(pose.headDrop, 9);
  const seated = stillPose(standardBody, posture({ seated: true, kneeBendDeg: 90 }), softSchool, 'right');
  expect(figureLines(seated).map(({ kind }) => kind)).toEqual(['plumb', 'hips']);
});

test('how far a drill reaches holds for each of its moments, to any side', () => {
  for (const school of builtInSchools)
    for (const exercise of builtInExercises) {
      const shown = shownDrill(newSegment('a', exercise, school), exercise, standardBody, school);
      expect(shown.reach).toBeGreaterThan(0.1);
      for (let at = 0; at < 1; at += 1 / 16)
        expect(reachOf(shownPose({ ...shown, view: 'front' }, at, 0, 'right', 'forward'))).toBeLessThan(
          shown.reach + 0.12,
        );
    }
});

test('rounded, the back is where the spine is: pins do not hang in the air before or behind it', () => {
  const roll = builtInExercises.find(({ id }) => id === 'roll-down')!;
  const hanging = figurePose(
    standardBody,
    settlePosture(roll.posture, softSchool),
    cycleMoment(roll, softSchool, 0.5)!,
    'right',
  );
  const { ribs, 'low back': back } = regionPlaces(hanging);
  const { waist, shoulders } = hanging.spine;
  expect(lengthOf(minus(back.at, mixed(hanging.pelvis, waist, 0.5)))).toBeLessThan(0.1);
  expect(lengthOf(minus(ribs.at, mixed(waist, shoulders, 0.2)))).toBeLessThan(0.1);
  expect(back.out.y).toBeGreaterThan(0.5);
  expect(ribs.out.y).toBeLessThan(-0.5);
});
