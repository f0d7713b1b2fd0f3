import type { Body } from '../body/body';
import { add, cross, dot, lengthOf, minus, mixed, scaled, unit, UP, type Point3 } from '../figure/point3';
import type { FootSide } from '../figure/pose';
import { behindPlane, cone, ellipsoid, flowing, thicker, within, type Field, type Halves } from './field';
import type { FormPart, FormStuff } from './formPart';
import { boneNames, FINGERS, restSkeleton, type BoneName, type BonePlace, type FormSkeleton } from './skeleton';
import { surfaceOf, type Box } from './surface';

const sides = ['left', 'right'] as const;
/** Bones a point hangs on. */
const CARRIED = 4;
/** How steeply a farther bone lets go. House value, by eye. */
const STEEP = 5;

/** How far the flesh reaches from a bone, as a share of stature: nearness is counted in it. House values for drawing. */
const reach = (bone: BoneName): number => {
  if (bone === 'pelvis' || bone === 'belly' || bone === 'chest') return 0.075;
  if (bone === 'head' || bone.endsWith('thigh')) return 0.055;
  if (bone.endsWith('fingers') || bone.endsWith('tips')) return 0.02;
  return bone === 'neck' || bone.endsWith('hand') ? 0.03 : 0.04;
};

/** The bones on whose cloth the pattern of a side is woven. */
const wovenOn: Readonly<Partial<Record<FormStuff, RegExp>>> = { jacket: /arm$/, trousers: /(thigh|shin)$/ };

const nearestOn = ({ from, to }: BonePlace, at: Point3): number => {
  const along = minus(to, from);
  const t = Math.max(0, Math.min(1, dot(minus(at, from), along) / dot(along, along)));
  return lengthOf(minus(at, add(from, scaled(along, t))));
};

interface Piece {
  readonly stuff: FormStuff;
  readonly field: Field;
  readonly box: Box;
  /** Edge of a cell, as a share of stature. */
  readonly cell: number;
  readonly bones: readonly BoneName[];
}

function carried({ stuff, field, box, cell, bones }: Piece, rest: FormSkeleton, stature: number): FormPart {
  const surface = surfaceOf(field, box, cell * stature);
  const count = surface.points.length / 3;
  const [ids, weights] = [new Uint8Array(count * CARRIED), new Float32Array(count * CARRIED)];
  const weave = new Float32Array(count);
  for (let point = 0; point < count; point += 1) {
    const [x, y, z] = surface.points.subarray(3 * point, 3 * point + 3) as unknown as [number, number, number];
    const near = bones
      .map((bone) => ({ bone, off: Math.max(1e-4, nearestOn(rest[bone], { x, y, z }) / (reach(bone) * stature)) }))
      .toSorted((a, b) => a.off - b.off)
      .slice(0, CARRIED);
    const pulls = near.map(({ off }) => (near[0]!.off / off) ** STEEP);
    const sum = pulls.reduce((all, pull) => all + pull, 0);
    near.forEach(({ bone }, at) => {
      ids[point * CARRIED + at] = boneNames.indexOf(bone);
      weights[point * CARRIED + at] = pulls[at]! / sum;
      if (wovenOn[stuff]?.test(bone) === true)
        weave[point] = weave[point]! + (bone.startsWith('left') ? -1 : 1) * (pulls[at]! / sum);
    });
  }
  return { ...surface, stuff, bones: ids, weights, weave };
}

/** A box around points, m. */
function around(points: readonly Point3[], room: number): Box {
  const of = (pick: (point: Point3) => number, end: 'min' | 'max'): number => Math[end](...points.map(pick));
  const corner = (end: 'min' | 'max', by: number): Point3 => ({
    x: of(({ x }) => x, end) + by,
    y: of(({ y }) => y, end) + by,
    z: of(({ z }) => z, end) + by,
  });
  return { from: corner('min', -room), to: corner('max', room) };
}

/** How round the edges of soles, sash and hair are, and those of the jacket, as shares of stature. House values for drawing. */
const EDGE = 0.012;
const HEM_EDGE = 0.02;

/** Edge of a cell of the cloth, and of the sash, which is as high as two, as shares of stature. */
const CLOTH = 0.0215;
const SASH = 0.013;

/** How far below the hips the jacket ends, as a share of stature. House value for drawing. */
const HEM = 0.085;

/** The parts of a body at rest. Shares of stature throughout: house values for drawing. */
function pieces(body: Body, rest: FormSkeleton): Piece[] {
  const S = body.stature;
  const on = (bone: BoneName, share: number): Point3 => mixed(rest[bone].from, rest[bone].to, share);
  const egg = (
    bone: BoneName,
    share: number,
    [deep, tall, wide]: readonly [number, number, number],
    ahead = 0,
  ): Field => {
    const { from, to, front } = rest[bone];
    const halves: Halves = { deep: deep * S, tall: tall * S, wide: wide * S };
    return ellipsoid(add(on(bone, share), scaled(front, ahead * S)), halves, front, unit(minus(to, from)));
  };
  const tube = (from: Point3, to: Point3, a: number, b: number): Field => cone(from, to, a * S, b * S);
  const hips = rest.pelvis.to.y;

  const trunk = [
    egg('pelvis', 0.5, [0.071, 0.09, 0.1]),
    egg('belly', 0.4, [0.066, 0.09, 0.088]),
    egg('chest', 0.42, [0.067, 0.105, 0.097]),
    egg('chest', 0.85, [0.05, 0.045, 0.098]),
  ];
  const sleeve = (side: FootSide): Field[] => [
    tube(on(`${side} collar`, 0), on(`${side} collar`, 0.92), 0.036, 0.035),
    tube(on(`${side} upper arm`, 0), on(`${side} upper arm`, 1), 0.038, 0.037),
    tube(on(`${side} forearm`, 0), on(`${side} forearm`, 0.9), 0.037, 0.036),
  ];
  const neckLine = behindPlane(on('neck', 0.42), add(UP, scaled(rest.neck.front, 0.5)));
  const hem = behindPlane({ ...rest.pelvis.from, y: hips - HEM * S }, scaled(UP, -1));
  const cuff = (side: FootSide): Field => {
    const { from, to } = rest[`${side} forearm`];
    return behindPlane(on(`${side} forearm`, 0.93), minus(to, from));
  };
  const skirt = egg('pelvis', 0.3, [0.078, 0.1, 0.104]);
  const coat = [
    ...trunk,
    // It falls over the hips and is a little wider at its hem.
    skirt,
    ...sides.map((side) => tube(on(`${side} thigh`, -0.1), on(`${side} thigh`, 0.3), 0.067, 0.073)),
  ];
  const jacket = within(
    HEM_EDGE * S,
    flowing([...coat, tube(on('neck', 0), on('neck', 0.5), 0.042, 0.036), ...sides.flatMap(sleeve)], 0.035 * S),
    neckLine,
    hem,
    cuff('left'),
    cuff('right'),
  );

  const leg = (side: FootSide): Field[] => [
    tube(on(`${side} thigh`, 0), on(`${side} thigh`, 1), 0.058, 0.05),
    tube(on(`${side} shin`, 0), on(`${side} shin`, 0.55), 0.05, 0.047),
    tube(on(`${side} shin`, 0.55), on(`${side} shin`, 0.93), 0.047, 0.047),
  ];
  const trousers = flowing([egg('pelvis', 0.45, [0.064, 0.08, 0.092]), ...sides.flatMap(leg)], 0.03 * S);

  const sashAt = hips + 0.055 * S;
  const sash = within(
    EDGE * S,
    thicker(flowing(coat, 0.035 * S), 0.005 * S),
    (at) => Math.abs(at.y - sashAt) - SASH * S,
  );

  const face = rest.head.front;
  const skull = flowing(
    [egg('head', 0.58, [0.057, 0.066, 0.047]), egg('head', 0.3, [0.034, 0.044, 0.034], 0.02)],
    0.03 * S,
  );
  const head = flowing(
    [
      skull,
      // Brow, nose, mouth, chin and ears: where it looks is read from any side.
      egg('head', 0.68, [0.014, 0.011, 0.03], 0.044),
      egg('head', 0.46, [0.0115, 0.016, 0.008], 0.0575),
      egg('head', 0.24, [0.014, 0.013, 0.021], 0.0405),
      egg('head', 0.08, [0.016, 0.013, 0.016], 0.0365),
      ...sides.map((side) => {
        const out = side === 'right' ? 1 : -1;
        const centre = add(on('head', 0.48), { x: -0.002 * S, y: 0, z: out * 0.047 * S });
        return ellipsoid(centre, { deep: 0.013 * S, tall: 0.02 * S, wide: 0.006 * S }, face, UP);
      }),
      tube(on('neck', -0.1), on('neck', 1.25), 0.034, 0.031),
    ],
    0.014 * S,
  );
  const hairLine = behindPlane(
    add(on('head', 0.62), scaled(face, 0.02 * S)),
    add(scaled(face, 0.75), scaled(UP, -0.66)),
  );
  const hair = within(EDGE * S, thicker(skull, 0.005 * S), hairLine, behindPlane(on('head', 0.12), scaled(UP, -1)));

  const hand = (side: FootSide): Piece => {
    const { from, to, front } = rest[`${side} hand`];
    const out = unit(minus(to, from));
    const across = unit(cross(out, front));
    const long = lengthOf(minus(to, from));
    const at = (share: number, beside: number, ahead = 0): Point3 =>
      add(add(from, scaled(out, share * long)), add(scaled(across, beside * S), scaled(front, ahead * S)));
    // The thumb lies to the front of the body, where arms hang with palms inward.
    const thumb = side === 'right' ? -1 : 1;
    const tips = [0.93, 1.03, 1, 0.88];
    const field = flowing(
      [
        tube(at(-0.35, 0), at(0.1, 0), 0.017, 0.0165),
        tube(at(0.08, -0.008), at(0.5, -0.011), 0.0125, 0.0125),
        tube(at(0.08, 0.008), at(0.5, 0.011), 0.0125, 0.0125),
        // Fingers a little round and apart.
        ...[-0.0185, -0.0062, 0.0062, 0.0185].flatMap((beside, finger) => {
          const tip = thumb < 0 ? tips[finger]! : tips[3 - finger]!;
          const knuckle = at(FINGERS.knuckle - 0.02, beside * 0.9);
          const joint = at(0.5 + 0.5 * (tip - 0.5), beside * 1.05, 0.003);
          return [tube(knuckle, joint, 0.0078, 0.0072), tube(joint, at(tip, beside * 1.15, 0.011), 0.0072, 0.006)];
        }),
        tube(at(0.14, thumb * 0.015, 0.003), at(0.38, thumb * 0.031, 0.011), 0.0105, 0.0085),
        tube(at(0.38, thumb * 0.031, 0.011), at(0.58, thumb * 0.036, 0.018), 0.0085, 0.007),
      ],
      0.006 * S,
    );
    const box = around(
      [at(-0.4, 0), at(1.05, 0), at(0.5, -0.045), at(0.5, 0.045), at(0.5, 0, 0.03), at(0.5, 0, -0.01)],
      0.028 * S,
    );
    return {
      stuff: 'skin',
      field,
      box,
      cell: 0.0071,
      bones: [`${side} hand`, `${side} forearm`, `${side} fingers`, `${side} tips`],
    };
  };

  const shoe = (side: FootSide): Piece => {
    const field = within(
      EDGE * S,
      flowing(
        [
          tube(on(`${side} foot`, 0.02), on(`${side} foot`, 0.55), 0.027, 0.025),
          tube(on(`${side} foot`, 0.5), on(`${side} foot`, 0.93), 0.026, 0.02),
          tube(on(`${side} shin`, 0.9), on(`${side} shin`, 1), 0.027, 0.026),
        ],
        0.016 * S,
      ),
      // A flat sole.
      behindPlane({ x: 0, y: 0.001 * S, z: 0 }, scaled(UP, -1)),
    );
    const box = around([on(`${side} foot`, 0), on(`${side} foot`, 1), on(`${side} shin`, 0.85)], 0.05 * S);
    return { stuff: 'shoe', field, box, cell: 0.0122, bones: [`${side} foot`, `${side} shin`] };
  };

  const bones = (...parts: readonly string[]): BoneName[] =>
    boneNames.filter((name) => parts.some((part) => name.endsWith(part)));
  const top = on('neck', 1);
  const ends = sides.flatMap((side) => [on(`${side} upper arm`, 0), on(`${side} forearm`, 1)]);
  const headBox = around([on('neck', -0.1), on('head', 1.2)], 0.075 * S);
  return [
    {
      stuff: 'jacket',
      field: jacket,
      box: around(
        [
          ...ends,
          top,
          { ...rest.pelvis.from, y: hips - HEM * S },
          { x: 0.07 * S, y: hips, z: 0 },
          { x: -0.07 * S, y: hips, z: 0 },
        ],
        // The hem lies between two layers of the grid: its edge is even.
        2.5 * CLOTH * S,
      ),
      cell: CLOTH,
      bones: bones('pelvis', 'belly', 'chest', 'collar', 'upper arm', 'forearm', 'neck', 'thigh'),
    },
    {
      stuff: 'trousers',
      field: trousers,
      box: around(
        [
          ...sides.flatMap((side) => [on(`${side} thigh`, 0), on(`${side} shin`, 1)]),
          { ...rest.pelvis.to, y: hips + 0.05 * S },
        ],
        0.1 * S,
      ),
      cell: CLOTH,
      bones: bones('pelvis', 'thigh', 'shin'),
    },
    {
      stuff: 'sash',
      field: sash,
      box: around(
        [
          { x: 0, y: sashAt, z: -0.1 * S },
          { x: 0, y: sashAt, z: 0.1 * S },
        ],
        // So do both its edges.
        9.5 * SASH * S,
      ),
      cell: SASH,
      bones: ['pelvis', 'belly'],
    },
    { stuff: 'skin', field: head, box: headBox, cell: 0.0102, bones: ['head', 'neck', 'chest'] },
    { stuff: 'hair', field: hair, box: headBox, cell: 0.013, bones: ['head'] },
    ...sides.map(hand),
    ...sides.map(shoe),
  ];
}

/**
 * The surface of a clothed body at rest, made once from its proportions: a jacket over trousers, hands with thumb and fingers, a face that looks
 * somewhere. It moves by its bones (`formSkeleton`, `boneMatrix`); it is for looking at and adds no number.
 */
export function bodyForm(body: Body): FormPart[] {
  const rest = restSkeleton(body);
  return pieces(body, rest).map((piece) => carried(piece, rest, body.stature));
}
