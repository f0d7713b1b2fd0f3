import { bodyOf } from '../body/body';
import { figurePose } from '../figure/figurePose';
import { cycleMoment, stillMoment } from '../figure/cycleMoment';
import { dot, lengthOf, minus, unit, type Point3 } from '../figure/point3';
import { builtInExercises } from '../library/builtInExercises';
import { builtInSchools } from '../schools/builtInSchools';
import { settlePosture } from '../schools/conventions';
import { bodyForm } from './bodyForm';
import type { FormPart } from './formPart';
import { cone, ellipsoid, flowing } from './field';
import { boneLength, boneMatrix, boneNames, formSkeleton, restSkeleton } from './skeleton';
import { surfaceOf, type Surface } from './surface';

const body = bodyOf({ stature: 1.7, mass: 70 });
const UP = { x: 0, y: 1, z: 0 };
const AHEAD = { x: 1, y: 0, z: 0 };

const pointAt = (values: Float32Array, index: number): Point3 => ({
  x: values[3 * index]!,
  y: values[3 * index + 1]!,
  z: values[3 * index + 2]!,
});

const along = ({ from, to }: { from: Point3; to: Point3 }): Point3 => unit(minus(to, from));

/** Volume within a closed surface, m³ (divergence theorem); negative where it is seen from inside. */
function volumeOf({ points, index }: Surface): number {
  let sum = 0;
  for (let at = 0; at < index.length; at += 3) {
    const [a, b, c] = [0, 1, 2].map((corner) => pointAt(points, index[at + corner]!)) as [Point3, Point3, Point3];
    sum += a.x * (b.y * c.z - b.z * c.y) - a.y * (b.x * c.z - b.z * c.x) + a.z * (b.x * c.y - b.y * c.x);
  }
  return sum / 6;
}

/** Edges that are not passed as often one way as the other: none where a surface is closed. */
function openEdges({ index }: Surface): number {
  const passed = new Map<string, number>();
  for (let at = 0; at < index.length; at += 3)
    for (const [from, to] of [
      [0, 1],
      [1, 2],
      [2, 0],
    ] as const) {
      const [a, b] = [index[at + from]!, index[at + to]!];
      const key = a < b ? `${a} ${b}` : `${b} ${a}`;
      passed.set(key, (passed.get(key) ?? 0) + (a < b ? 1 : -1));
    }
  return [...passed.values()].filter((times) => times !== 0).length;
}

describe('a surface', () => {
  const box = { from: { x: -1, y: -1, z: -1 }, to: { x: 1, y: 1, z: 1 } };

  test('of a ball has its volume, its area’s normals, and is closed', () => {
    const ball = surfaceOf(ellipsoid({ x: 0, y: 0, z: 0 }, { deep: 0.5, tall: 0.5, wide: 0.5 }, AHEAD, UP), box, 0.05);
    expect(openEdges(ball)).toBe(0);
    // 4/3 π r³, from Archimedes on.
    expect(volumeOf(ball)).toBeCloseTo((4 / 3) * Math.PI * 0.5 ** 3, 2);
    for (let at = 0; at < ball.points.length / 3; at += 7) {
      const [point, normal] = [pointAt(ball.points, at), pointAt(ball.normals, at)];
      expect(lengthOf(point)).toBeCloseTo(0.5, 3);
      expect(lengthOf(minus(point, { x: normal.x / 2, y: normal.y / 2, z: normal.z / 2 }))).toBeLessThan(0.01);
    }
  });

  test('of a capsule has its volume: a cylinder and a ball', () => {
    const capsule = surfaceOf(cone({ x: 0, y: -0.4, z: 0 }, { x: 0, y: 0.4, z: 0 }, 0.3, 0.3), box, 0.05);
    expect(volumeOf(capsule)).toBeCloseTo(Math.PI * 0.3 ** 2 * 0.8 + (4 / 3) * Math.PI * 0.3 ** 3, 2);
  });

  test('of an ellipsoid has its three half lengths', () => {
    const egg = surfaceOf(ellipsoid({ x: 0, y: 0, z: 0 }, { deep: 0.3, tall: 0.6, wide: 0.45 }, AHEAD, UP), box, 0.05);
    expect(volumeOf(egg)).toBeCloseTo((4 / 3) * Math.PI * 0.3 * 0.6 * 0.45, 2);
  });

  test('of two that flow into each other lies around both and is a little more', () => {
    const [one, other] = [-0.2, 0.2].map((x) => cone({ x, y: -0.1, z: 0 }, { x, y: 0.1, z: 0 }, 0.25, 0.25));
    const both = flowing([one!, other!], 0.1);
    const at = { x: 0, y: 0, z: 0.17 };
    expect(both(at)).toBeLessThan(Math.min(one!(at), other!(at)));
    expect(flowing([one!], 0.1)(at)).toBe(one!(at));
  });
});

describe('the surface of a body', () => {
  const form = bodyForm(body);
  const whole = (stuff: FormPart['stuff']) => form.filter((part) => part.stuff === stuff);

  test('is closed in each of its parts, seen from outside, and few enough points to be drawn everywhere', () => {
    for (const part of form) {
      expect(openEdges(part)).toBe(0);
      expect(volumeOf(part)).toBeGreaterThan(0);
    }
    expect(form.reduce((sum, { points }) => sum + points.length / 3, 0)).toBeLessThan(6500);
  });

  test('hangs each point on bones whose weights sum to one', () => {
    for (const { points, bones, weights } of form) {
      expect(bones).toHaveLength((points.length / 3) * 4);
      for (let at = 0; at < weights.length; at += 4) {
        expect(weights.subarray(at, at + 4).reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(1, 5);
        expect(Math.max(...bones.subarray(at, at + 4))).toBeLessThan(boneNames.length);
      }
    }
  });

  test('is as tall as the person, and as broad at the hands as both arms reach', () => {
    const heights = form.flatMap(({ points }) =>
      Array.from({ length: points.length / 3 }, (_, at) => points[3 * at + 1]!),
    );
    expect(Math.max(...heights)).toBeGreaterThan(0.97 * body.stature);
    expect(Math.max(...heights)).toBeLessThan(1.03 * body.stature);
    expect(Math.abs(Math.min(...heights))).toBeLessThan(0.01);
    const rest = restSkeleton(body);
    const aside = form.flatMap(({ points }) =>
      Array.from({ length: points.length / 3 }, (_, at) => points[3 * at + 2]!),
    );
    expect(Math.max(...aside)).toBeCloseTo(rest['right hand'].to.z, 1);
    expect(Math.min(...aside)).toBeCloseTo(rest['left hand'].to.z, 1);
  });

  test('mirrors left and right, with the pattern of each side on its sleeve and its trouser leg', () => {
    for (const stuff of ['jacket', 'trousers'] as const) {
      for (const { points, weave } of whole(stuff)) {
        for (let at = 0; at < weave.length; at += 1) {
          // Right is where z grows.
          if (weave[at]! > 0.6) expect(points[3 * at + 2]!).toBeGreaterThan(0);
          if (weave[at]! < -0.6) expect(points[3 * at + 2]!).toBeLessThan(0);
        }
        const sum = (sign: number) => weave.filter((value) => sign * value > 0.6).length;
        expect(sum(1)).toBeGreaterThan(200);
        expect(Math.abs(sum(1) - sum(-1)) / sum(1)).toBeLessThan(0.05);
      }
    }
    expect(whole('skin')).toHaveLength(3);
    for (const part of [...whole('skin'), ...whole('hair'), ...whole('shoe')])
      expect(part.weave.every((value) => value === 0)).toBe(true);
  });

  test('grows with the person', () => {
    const small = bodyForm(bodyOf({ stature: 1.5, mass: 50 })).find(({ stuff }) => stuff === 'jacket')!;
    const share = volumeOf(small) / volumeOf(whole('jacket')[0]!);
    expect(share).toBeCloseTo((1.5 / 1.7) ** 3, 1);
  });
});

describe('the bones', () => {
  const determinant = (m: readonly number[]): number =>
    m[0]! * (m[5]! * m[10]! - m[6]! * m[9]!) -
    m[4]! * (m[1]! * m[10]! - m[2]! * m[9]!) +
    m[8]! * (m[1]! * m[6]! - m[2]! * m[5]!);

  test('lie in the order in which the surface numbers them, and each is a turn without a stretch', () => {
    const rest = restSkeleton(body);
    expect(Object.keys(rest).toSorted()).toEqual(boneNames.toSorted());
    for (const name of boneNames) expect(determinant(boneMatrix(rest[name]))).toBeCloseTo(1, 9);
  });

  test('are turns in every moment of every exercise and school, with arms as long as they are', () => {
    const rest = restSkeleton(body);
    for (const school of builtInSchools)
      for (const exercise of builtInExercises) {
        const posture = settlePosture(exercise.posture, school);
        for (const at of [0.2, 0.45, 0.9]) {
          const moment = cycleMoment(exercise, school, at) ?? stillMoment({ posture });
          const places = formSkeleton(figurePose(body, posture, moment, 'right'));
          for (const name of boneNames) {
            expect(determinant(boneMatrix(places[name]))).toBeCloseTo(1, 6);
            expect(determinant(boneMatrix(places[name], 1.1))).toBeCloseTo(1.1, 6);
          }
          // Round arms are drawn up to three centimetres longer than they are.
          for (const name of boneNames.filter((bone) => /(arm|hand)$/.test(bone)))
            expect(Math.abs(boneLength(places[name]) - boneLength(rest[name]))).toBeLessThan(0.031);
        }
      }
  });

  test('bend at the elbow to the front, and turn the palm where the pose has it', () => {
    let bent = 0;
    let turned = 0;
    for (const school of builtInSchools)
      for (const exercise of builtInExercises) {
        const posture = settlePosture(exercise.posture, school);
        const moment = cycleMoment(exercise, school, 0.3) ?? stillMoment({ posture });
        const pose = figurePose(body, posture, moment, 'right');
        const places = formSkeleton(pose);
        for (const side of ['left', 'right'] as const) {
          const fore = along(places[`${side} forearm`]);
          const flexed = dot(places[`${side} upper arm`].front, fore);
          expect(flexed).toBeGreaterThan(-1e-9);
          if (flexed > 0.1) bent += 1;
          const { palm } = pose.arms[side];
          const { front, ...hand } = places[`${side} hand`];
          expect(Math.abs(dot(front, along(hand)))).toBeLessThan(1e-6);
          // A palm that would face along its own fingers has to face aside.
          if (palm === null || Math.abs(dot(palm, along(hand))) > 0.99) continue;
          expect(dot(front, palm)).toBeGreaterThan(0);
          turned += 1;
        }
      }
    expect(bent).toBeGreaterThan(50);
    expect(turned).toBeGreaterThan(50);
  });
});
