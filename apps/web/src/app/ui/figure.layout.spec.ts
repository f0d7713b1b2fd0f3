import {
  bodyOf,
  capsule,
  layoutFigure,
  projector,
  builtInExercises,
  floorPlan,
  figurePose,
  postureStatics,
  settlePosture,
  softSchool,
  stanceOfPosture,
  standardBody,
  stillMoment,
  type Body,
  type Posture,
} from '@pomek/core';
import { floorSvg, sheetScale } from '../print/floor-sheet';
import { layoutFloor } from './floor.layout';

jest.mock('../print/pdf', () => ({ MM: 72 / 25.4, pdf: jest.fn() }));

const PX = 240;
const upright = builtInExercises.find((exercise) => exercise.id === 'tree-holding')!.posture;
const bodies: [string, Body][] = [
  ['small', bodyOf({ stature: 1.48, mass: 42 })],
  ['tall', bodyOf({ stature: 2, mass: 85 })],
  ['heavy', bodyOf({ stature: 1.7, mass: 140 })],
  ['long-thighed', bodyOf({ stature: 1.75, mass: 70, thigh: 0.5, shank: 0.4 })],
];
const poseOf = (body: Body, change: Partial<Posture>, square = true) => {
  const posture = { ...upright, ...change };
  const settled = settlePosture(posture, softSchool);
  return { settled, pose: figurePose(body, settled, stillMoment({ posture }), 'right', square) };
};

describe.each(bodies)('a %s body', (_name, body) => {
  test.each([0, 20, 45, 70, 90])('at %i°: the knee is drawn where the statics put it, the mass on its line', (bend) => {
    const { pose, settled } = poseOf(body, { kneeBendDeg: bend });
    const statics = postureStatics(body, stanceOfPosture(settled));
    const drawing = layoutFigure(pose, 'side', PX);
    const heel = projector(pose, 'side', PX)({ x: 0, y: 0, z: 0 });
    const knee = drawing.dots.find((dot) => dot.kind === 'knee')!;
    expect(Math.abs(knee.x - heel.x - statics.joints.knee.x * PX)).toBeLessThan(0.5);
    expect(Math.abs(heel.y - knee.y - statics.joints.knee.y * PX)).toBeLessThan(0.5);
    const plumb = drawing.marks.find((mark) => mark.kind === 'plumb')!;
    const pressure = drawing.dots.find((dot) => dot.kind === 'pressure')!;
    expect(Math.abs(plumb.from.x - pressure.x)).toBeLessThan(0.5);
    expect(plumb.to.x).toBe(plumb.from.x);
    const toes = drawing.marks.find((mark) => mark.kind === 'toe line')!;
    expect(knee.x > toes.from.x).toBe(statics.kneePastToes > 0);
    const [straight, now] = ['head straight', 'head now'].map(
      (kind) => drawing.marks.find((mark) => mark.kind === kind)!.from.y,
    );
    expect(now! - straight!).toBeCloseTo(statics.headDrop * PX, 3);
  });
});

test('nothing that is drawn is without a number, in any view', () => {
  for (const exercise of builtInExercises) {
    const settled = settlePosture(exercise.posture, softSchool);
    for (const view of ['side', 'front', 'behind', 'above'] as const) {
      const pose = figurePose(standardBody, settled, stillMoment(exercise), 'left', view === 'side');
      const drawing = layoutFigure(pose, view, PX);
      const text = JSON.stringify(drawing);
      expect(text).not.toMatch(/NaN|Infinity|null/);
      expect(drawing.pins).toHaveLength(19);
    }
  }
});

test('left and right have their own texture; from the side the working leg is nearer', () => {
  const { pose } = poseOf(standardBody, { weightShare: 0.7 });
  const drawing = layoutFigure(pose, 'side', PX);
  const layers = (side: 'left' | 'right') =>
    new Set(drawing.shapes.filter((shape) => shape.side === side).map((shape) => shape.layer));
  expect([...layers('left')]).toEqual([0]);
  expect(layers('right').has(0)).toBe(false);
  const front = layoutFigure(pose, 'front', PX);
  const foot = (side: 'left' | 'right') => front.shares.find((share) => share.side === side)!;
  // One faces the figure: its right foot is on the left.
  expect(foot('right').x).toBeLessThan(foot('left').x);
  expect(foot('right').share).toBeCloseTo(0.7, 9);
  // From behind left is left, and arms held before the body are hidden by it.
  const behind = layoutFigure(pose, 'behind', PX);
  const at = (side: 'left' | 'right') => behind.shares.find((share) => share.side === side)!.x;
  expect(at('left')).toBeLessThan(at('right'));
  const arms = (of: typeof behind) => of.shapes.filter((shape) => shape.part === 'limb').map((shape) => shape.layer);
  expect(arms(front)).toContain(2);
  expect(arms(behind)).not.toContain(2);
});

test('two bodies are drawn to the same scale', () => {
  const small = layoutFigure(poseOf(bodies[0]![1], {}).pose, 'side', PX);
  const tall = layoutFigure(poseOf(bodies[1]![1], {}).pose, 'side', PX);
  expect(small.width).toBe(tall.width);
  expect(tall.height - small.height).toBeCloseTo(1.05 * (2 - 1.48) * PX, 6);
});

test('a capsule of two circles is closed, and one inside the other is the larger circle', () => {
  expect(capsule({ x: 0, y: 0 }, 5, { x: 20, y: 0 }, 3)).toMatch(/^M.*A5 5 .*L.*A3 3 .*Z$/);
  expect(capsule({ x: 0, y: 0 }, 9, { x: 2, y: 0 }, 3)).toMatch(/^M-9 0A9 9/);
});

describe('the floor', () => {
  const bow = poseOf(standardBody, { ahead: 2, weightShare: 0.7, kneeBendDeg: 40 }, false).pose;
  const plan = floorPlan(bow);
  const drawing = layoutFloor(plan);

  test('is drawn in centimetres: heels as far apart as the plan says, forward at the top', () => {
    const [left, right] = (['left', 'right'] as const).map(
      (side) => drawing.feet.find((foot) => foot.side === side)!.line[0],
    );
    expect(right!.x - left!.x).toBeCloseTo(plan.acrossCm, 1);
    expect(left!.y - right!.y).toBeCloseTo(plan.aheadCm, 1);
    const [from, to] = drawing.between;
    const along = (drawing.weight.x - from.x) / (to.x - from.x);
    expect(along).toBeCloseTo(0.7, 1);
    expect(drawing.measures.map((measure) => measure.words)).toEqual(['44 cm', '52 cm']);
    expect(drawing.feet.map((foot) => foot.words)).toEqual(['left 45° out', 'right 0°']);
  });

  test('goes on the sheet in a plain scale, in SVG without gaps', () => {
    const scale = sheetScale(drawing);
    expect([1, 2, 4, 5, 10]).toContain(scale);
    expect((drawing.widthCm * 10) / scale).toBeLessThanOrEqual(180);
    const svg = floorSvg(drawing);
    expect(svg).toContain(`viewBox="0 0 ${drawing.widthCm} ${drawing.heightCm}"`);
    expect(svg).not.toMatch(/NaN|undefined/);
  });
});
