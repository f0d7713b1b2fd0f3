import { standardBody } from '../body';
import { builtInExercises, type Exercise } from '../library';
import { builtInSchools, settlePosture, softSchool, strictSchool, type School } from '../schools';
import { placeOnBody } from './bodyPlaces';
import { cycleMoment, isPlayable, stillMoment } from './cycleMoment';
import { figurePose } from './figurePose';
import { cross, dot, lengthOf, minus, mixed, unit, type Point3 } from './point3';
import type { FigurePose, FootSide } from './pose';
import { slidingFeet } from './slidingFeet';

const { lengths } = standardBody;
const sides = ['left', 'right'] as const;
const long = (a: Point3, b: Point3): number => lengthOf(minus(a, b));

const poseAt = (drill: Exercise, school: School, at: number, working: FootSide = 'right'): FigurePose => {
  const settled = settlePosture(drill.posture, school);
  const moment = cycleMoment(drill, school, at) ?? stillMoment({ posture: settled });
  return figurePose(standardBody, settled, moment, working);
};
const MOMENTS = 16;
const every = (drill: Exercise): number[] =>
  isPlayable(drill) ? Array.from({ length: MOMENTS }, (_, at) => at / MOMENTS) : [0];
const everywhere = (check: (pose: FigurePose, of: string) => void): void => {
  for (const school of builtInSchools)
    for (const drill of builtInExercises)
      for (const at of every(drill)) check(poseAt(drill, school, at), `${drill.id}, ${school.name}, ${at.toFixed(2)}`);
};

test('each bone keeps its length in every moment of every exercise and school', () => {
  const wrong: string[] = [];
  everywhere(({ legs, feet, pelvis, spine, arms }, of) => {
    const bones: [string, number, number][] = [
      ['low spine', long(pelvis, spine.waist) + long(spine.waist, spine.shoulders), lengths.trunk],
      ['neck', long(spine.shoulders, spine.head), lengths.headBeyondShoulder],
      ...sides.flatMap((side): [string, number, number][] => [
        ['thigh', long(legs[side].hip, legs[side].knee), lengths.thigh],
        ['shank', long(legs[side].knee, legs[side].ankle), lengths.shank],
        ['upper arm', long(arms[side].shoulder, arms[side].elbow), lengths.upperArm],
        ['forearm', long(arms[side].elbow, arms[side].wrist), lengths.forearm],
        ['hand', long(arms[side].wrist, arms[side].hand), lengths.hand],
        ['foot to ankle', long(feet[side].ankle, legs[side].ankle), 0],
      ]),
    ];
    for (const [bone, is, was] of bones) if (Math.abs(is - was) > 1e-4) wrong.push(`${of}: ${bone} ${is} for ${was}`);
  });
  expect(wrong).toEqual([]);
});

test('a foot that stands does not slide: its ball stays where it is while neither foot is lifted, and beside one that goes out and back', () => {
  const ball = (pose: FigurePose, side: FootSide): Point3 => ({
    ...mixed(pose.feet[side].heel, pose.feet[side].toe, 0.72),
    y: 0,
  });
  for (const school of [softSchool, strictSchool])
    for (const drill of builtInExercises.filter(isPlayable)) {
      const poses = every(drill).map((at) => poseAt(drill, school, at));
      for (const [at, pose] of poses.slice(1).entries())
        for (const side of sides) {
          const before = poses[at]!;
          const steps =
            drill.travel !== null && sides.some((foot) => pose.feet[foot].lifted || before.feet[foot].lifted);
          // In a walk the figure stays in the middle, and the floor goes by.
          if (steps || pose.feet[side].lifted || before.feet[side].lifted) continue;
          expect([drill.id, side, at, long(ball(pose, side), ball(before, side)) < 0.012]).toEqual([
            drill.id,
            side,
            at,
            true,
          ]);
        }
    }
});

test('no foot of the shelf slides within a part of a repetition; one that is set elsewhere without being lifted does', () => {
  for (const school of [softSchool, strictSchool])
    for (const drill of builtInExercises)
      expect([drill.id, slidingFeet(drill, standardBody, school)]).toEqual([drill.id, []]);
  const reeling = builtInExercises.find(({ id }) => id === 'one-hand-reeling')!;
  const wider = reeling.phases.map((phase, at) =>
    at === 1 ? { ...phase, end: { ...phase.end!, stanceWidth: 2.2 } } : phase,
  );
  const found = slidingFeet({ ...reeling, phases: wider }, standardBody, softSchool);
  // Out in its part and back in the next, by the breadth of the shoulders that is more.
  expect(new Set(found.map(({ part }) => part))).toEqual(new Set([1, 2]));
  for (const { far } of found) expect(far).toBeGreaterThan(0.1);
});

test('a hand that is said to lie on the body lies there, its palm to it', () => {
  let seen = 0;
  for (const drill of builtInExercises.filter(isPlayable)) {
    const settled = settlePosture(drill.posture, softSchool);
    let share = 0;
    for (const { share: own, end } of drill.phases) {
      share += own;
      const moment = cycleMoment(drill, softSchool, share - 1e-9)!;
      const pose = figurePose(standardBody, settled, moment, 'right');
      const toes = { left: unit(minus(pose.feet.left.toe, pose.feet.left.heel)), right: { x: 1, y: 0, z: 0 } };
      toes.right = unit(minus(pose.feet.right.toe, pose.feet.right.heel));
      const placed = { body: standardBody, pelvis: pose.pelvis, spine: pose.spine, legs: pose.legs, toes };
      for (const [which, side] of [
        ['arm', 'right'],
        ['otherArm', 'left'],
      ] as const) {
        const said = end!.shape?.[which] ?? drill.posture.shape?.[which];
        if (said?.on == null) continue;
        const arm = pose.arms[side];
        const place = placeOnBody(said.on, side, placed, pose.arms[side === 'right' ? 'left' : 'right'])!;
        const off = long(mixed(arm.wrist, arm.hand, 0.5), place.at);
        seen += 1;
        // The bones of a hand are some 2 cm from its skin.
        expect([drill.id, said.on, off < 0.035]).toEqual([drill.id, said.on, true]);
        expect([drill.id, said.on, Math.abs(dot(arm.facing, place.out)) > 0.9]).toEqual([drill.id, said.on, true]);
      }
    }
  }
  expect(seen).toBeGreaterThan(20);
});

/** What the way of the right hand encloses, m², seen from where it is largest. */
function enclosed(drill: Exercise, of: (pose: FigurePose) => Point3): number {
  const points = Array.from({ length: 96 }, (_, at) => of(poseAt(drill, softSchool, at / 96)));
  const sum = points.reduce(
    (all, point, at) => {
      const { x, y, z } = cross(point, points[(at + 1) % points.length]!);
      return { x: all.x + x / 2, y: all.y + y / 2, z: all.z + z / 2 };
    },
    { x: 0, y: 0, z: 0 },
  );
  return lengthOf(sum);
}
const drill = (id: string): Exercise => builtInExercises.find((entry) => entry.id === id)!;

test.each([
  ['one-hand-reeling', 0.05],
  ['two-hand-reeling', 0.05],
  ['forward-reeling', 0.05],
  ['bow-two-hand-reeling', 0.05],
  ['cloud-hands-in-place', 0.04],
  ['gathering-home', 0.1],
])('the hand draws a circle in %s', (id, atLeast) => {
  expect(enclosed(drill(id), ({ arms }) => arms.right.hand)).toBeGreaterThan(atLeast);
});

test('the shoulder wheel is a wheel of the shoulder, and the head is quiet over a circle of the hips', () => {
  const wheel = drill('shoulder-wheel');
  expect(enclosed(wheel, ({ arms, spine }) => minus(arms.right.shoulder, spine.shoulders))).toBeGreaterThan(0.008);
  const circles = drill('joint-circles');
  const hips = Array.from({ length: 40 }, (_, at) => poseAt(circles, softSchool, 0.26 + (0.13 * at) / 40));
  const wide = (of: (pose: FigurePose) => number): number => Math.max(...hips.map(of)) - Math.min(...hips.map(of));
  expect(wide(({ pelvis }) => pelvis.z)).toBeGreaterThan(0.06);
  expect(wide(({ head }) => head.z)).toBeLessThan(wide(({ pelvis }) => pelvis.z));
});

test('in the squat the seat sinks and the kneecaps stay, seen from the side', () => {
  const squat = drill('squat-and-bounce');
  const poses = every(squat).map((at) => poseAt(squat, softSchool, at));
  const range = (of: (pose: FigurePose) => number): number => Math.max(...poses.map(of)) - Math.min(...poses.map(of));
  expect(range(({ pelvis }) => pelvis.y)).toBeGreaterThan(0.1);
  // Seen from the side they stay; from the front they go out with the toes.
  expect(range(({ legs }) => legs.right.knee.x)).toBeLessThan(0.015);
  expect(range(({ legs }) => legs.right.knee.z)).toBeLessThan(0.08);
  expect(range(({ legs }) => legs.right.knee.y)).toBeLessThan(0.03);
});

test('turning the forearms, the palms turn over and the hands stay on their spot', () => {
  const turns = drill('forearm-turns');
  const poses = every(turns).map((at) => poseAt(turns, softSchool, at));
  const spots = poses.map(({ arms, pelvis }) => minus(arms.right.hand, pelvis));
  for (const spot of spots) expect(long(spot, spots[0]!)).toBeLessThan(0.01);
  const facing = poses.map(({ arms }) => arms.right.facing.y);
  expect([Math.min(...facing) < -0.9, Math.max(...facing) > 0.9]).toEqual([true, true]);
});

test('done on the left it is the mirror image', () => {
  for (const entry of builtInExercises)
    for (const at of every(entry).filter((_, index) => index % 5 === 0)) {
      const [right, left] = [poseAt(entry, softSchool, at), poseAt(entry, softSchool, at, 'left')];
      const pairs: [Point3, Point3][] = [
        [right.head, left.head],
        [right.arms.right.hand, left.arms.left.hand],
        [right.arms.left.hand, left.arms.right.hand],
        [right.legs.right.knee, left.legs.left.knee],
        [right.arms.right.facing, left.arms.left.facing],
      ];
      for (const [one, other] of pairs)
        expect([entry.id, at, long(one, { ...other, z: -other.z }) < 1e-6]).toEqual([entry.id, at, true]);
    }
});

test('no joint goes beyond its range', () => {
  const bent = (a: Point3, b: Point3, c: Point3): number =>
    (Math.acos(Math.max(-1, Math.min(1, dot(unit(minus(b, a)), unit(minus(c, b)))))) * 180) / Math.PI;
  const wrong: string[] = [];
  everywhere(({ arms, legs, spine }, of) => {
    const within = (joint: string, degrees: number, most: number): void => {
      if (degrees > most) wrong.push(`${of}: ${joint} ${degrees}°`);
    };
    for (const side of sides) {
      const { shoulder, elbow, wrist, hand } = arms[side];
      const { hip, knee, ankle } = legs[side];
      // Flexion of the elbow, the knee and the wrist: 150°, 135°, 80° (American Academy of Orthopaedic Surgeons, Joint Motion, 1965;
      // from memory); some degrees more of a hand that is bent to both sides at once.
      within('elbow', bent(shoulder, elbow, wrist), 152);
      within('knee', bent(hip, knee, ankle), 136);
      within('wrist', bent(elbow, wrist, hand), 95);
    }
    // The neck bends by some 45° each way (as above), the upper back adds to it.
    within('neck', bent(spine.waist, spine.shoulders, spine.head), 75);
  });
  expect(wrong).toEqual([]);
});

test('everything goes on smoothly: nothing jumps from one moment to the next', () => {
  const [STEPS, FINE] = [200, 20];
  for (const entry of builtInExercises.filter(isPlayable)) {
    const poses = Array.from({ length: STEPS }, (_, at) => poseAt(entry, softSchool, at / STEPS));
    for (const [at, pose] of poses.slice(1).entries()) {
      const quick = sides
        .flatMap((side) => (['elbow', 'wrist', 'hand'] as const).map((joint) => ({ side, joint })))
        .map((of) => ({ ...of, moved: long(pose.arms[of.side][of.joint], poses[at]!.arms[of.side][of.joint]) }))
        .filter(({ moved }) => moved >= 0.06);
      if (quick.length === 0) continue;
      // What is quick is in many places on its way; what jumps is in none.
      const between = Array.from({ length: FINE + 1 }, (_, step) =>
        poseAt(entry, softSchool, (at + step / FINE) / STEPS),
      );
      for (const { side, joint, moved } of quick) {
        const steps = between
          .slice(1)
          .map((next, step) => long(next.arms[side][joint], between[step]!.arms[side][joint]));
        expect([entry.id, side, joint, at, Math.max(...steps) < Math.max(0.035, 0.3 * moved)]).toEqual([
          entry.id,
          side,
          joint,
          at,
          true,
        ]);
      }
    }
  }
});

test('every exercise that moves is known as movement', () => {
  const still = builtInExercises.filter((entry) => !isPlayable(entry)).map(({ id }) => id);
  // Stands, seats, and what only breathes.
  expect(still.toSorted()).toEqual(
    [
      ...['neutral-stance', 'tree-holding', 'low-lantern', 'embracing-stand', 'filling-the-arms', 'wide-rider'],
      ...['bow-stand', 'empty-full', 'standing-fold', 'hip-stretch'],
      ...['belly-breathing', 'four-part-breath', 'slowing-breath', 'staged-sitting'],
    ].toSorted(),
  );
});
