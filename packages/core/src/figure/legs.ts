import { rad } from '../words/angles';
import { BALL_ALONG, type Body } from '../body/body';
import { bentLeg, openedBy } from '../body/bowGeometry';
import { HIP_JOINTS } from '../body/jointMoments';
import type { SettledPosture } from '../schools/conventions';
import { twoBones } from './arms';
import type { CycleMoment } from './cycleMoment';
import { flatLegs, raised, rolledFoot, type FlatLeg } from './flatLegs';
import { add, minus, mixed, scaled, squared, unit, UP, type Point3 } from './point3';
import { flippedSide, type FootSide, type PoseFoot, type PoseLeg } from './pose';

const mix = (a: number, b: number, share: number): number => a + (b - a) * share;

/** How high a lifted foot is drawn, as a share of stature. */
const LIFT = 0.07;
/** A leg that stands is never quite out of reach. */
const STRAIGHT = 0.9995;

export type Role = 'working' | 'other';

/** A foot where it stands, and the leg that stands on it, still flat. */
export interface Limb {
  readonly role: Role;
  readonly side: FootSide;
  /** 1 right, -1 left. */
  readonly sign: number;
  readonly leg: FlatLeg;
  /** Where the toes point, and where the knee goes when it bends. */
  readonly toes: Point3;
  readonly kneeTo: Point3;
  readonly foot: PoseFoot;
}

export interface Whole {
  readonly body: Body;
  readonly posture: SettledPosture;
  readonly moment: CycleMoment;
  readonly working: FootSide;
  /** Seen square to the working foot: no toes turned out, legs exactly where the statics put them. */
  readonly square: boolean;
  /** How far the posture leans by itself, degrees. */
  readonly upright: number;
}

export const sideOf = (role: Role, working: FootSide): FootSide =>
  role === 'working' ? working : flippedSide(working);

/** How far ahead of the middle a foot stands, foot lengths, and how far beside it, shoulder breadths; one that never lifts stays. */
function placeOf({ ahead, stanceWidth, anchor }: CycleMoment, role: Role): { ahead: number; beside: number } {
  const forward = role === 'working' ? 1 : -1;
  if (anchor === null) return { ahead: (forward * ahead) / 2, beside: stanceWidth / 2 };
  if (anchor.role === role) return { ahead: (forward * anchor.ahead) / 2, beside: anchor.width / 2 };
  return { ahead: forward * (ahead - anchor.ahead / 2), beside: stanceWidth - anchor.width / 2 };
}

export function limbOf({ body, posture, moment, working, square }: Whole, role: Role, flat: FlatLeg): Limb {
  const { lengths } = body;
  const side = sideOf(role, working);
  const sign = side === 'right' ? 1 : -1;
  const rolled = rolledFoot(body, moment.heel[role]);
  const turned = role === 'working' ? moment.toesOutDeg : moment.otherToesOutDeg;
  const own = role === 'working' ? posture.toesOutDeg : posture.otherToesOutDeg;
  const out = square ? 0 : (turned ?? own);
  const pointing = (degrees: number): Point3 => ({ x: Math.cos(rad(degrees)), y: 0, z: sign * Math.sin(rad(degrees)) });
  const toes = pointing(out);
  const { ahead, beside } = placeOf(moment, role);
  const lifted = moment.lifted === role;
  const up = lifted ? moment.lift * LIFT * body.stature : 0;
  const stood = { x: ahead * lengths.foot, y: up, z: sign * beside * lengths.shoulderBreadth };
  // Turned on its ball, a foot keeps the ball where it is and takes the heel along.
  const ball = BALL_ALONG * lengths.foot;
  const place =
    moment.onBall && turned !== null && !square ? add(stood, scaled(minus(pointing(own), toes), ball)) : stood;
  const onFoot = (along: number): Point3 => add(place, scaled(toes, along));
  const share = role === 'working' ? moment.weight : 1 - moment.weight;
  const foot: PoseFoot = {
    heel: { ...onFoot(rolled.heelAlong), y: up + rolled.heelUp },
    toe: onFoot(lengths.foot),
    ankle: { ...onFoot(lengths.foot / 4 + rolled.ankleAlong), y: lengths.ankleHeight + up + rolled.ankleUp },
    toesOutDeg: out,
    share: posture.seated ? 0.5 : share,
    lifted,
    pressure: { ...onFoot(posture.pressurePoint * lengths.foot), y: up },
  };
  const aside = sign * (working === 'right' ? 1 : -1) * moment.shape.kneesAsideDeg;
  const kneeTo = square || posture.seated ? toes : pointing(out + posture.kneesOutDeg + aside);
  return { role, side, sign, leg: raised(flat, rolled), toes, kneeTo, foot };
}

const halfHips = ({ lengths }: Body): number => (HIP_JOINTS * lengths.hipBreadth) / 2;

/** Where the hip joint of a leg is when the pelvis faces ahead: behind the other one's where the leg stands behind. */
function jointOf({ body, moment }: Whole, { role, sign }: Pick<Limb, 'role' | 'sign'>, pelvis: Point3): Point3 {
  const ahead = (role === 'working' ? 1 : -1) * moment.ahead * body.lengths.foot;
  const behind = moment.lifted === 'none' && ahead < 0 ? openedBy(body, -ahead) : 0;
  return { x: pelvis.x - behind, y: pelvis.y, z: pelvis.z + sign * halfHips(body) };
}

/** The third side of a right triangle, or of a box: what is left of a length that goes so far ahead and aside. */
const rest = (whole: number, ...sides: readonly number[]): number =>
  Math.sqrt(
    Math.max(
      0,
      sides.reduce((left, side) => left - side ** 2, whole ** 2),
    ),
  );

/** The pelvis drops so far to a leg that reaches, m. House value. */
const DROP = 0.05;
/** A shift lowers nobody by more than this: where a leg would have to reach further, the pelvis stops short of it, m. House value. */
const LOWER = 0.1;
/** Arms that are held out take the pelvis so far to the other side, m. House value. */
const COUNTER = 0.03;

/** As far as a hip may be from its ankle, m. */
const reachOf = ({ lengths }: Body): number => STRAIGHT * (lengths.shank + lengths.thigh) + DROP;

/** Feet that are on the floor. */
const standing = (limbs: readonly Limb[]): readonly Limb[] => limbs.filter(({ foot }) => !foot.lifted);

/** A lifted leg is nearly straight when it swings out. House value. */
const SWINGING = 0.985;

/** A lifted foot that would be out of reach of its leg is carried higher, as a leg swings in an arc. */
export function carried(whole: Whole, limb: Limb, pelvis: Point3): Limb {
  const { foot } = limb;
  if (!foot.lifted || whole.posture.seated) return limb;
  const { lengths } = whole.body;
  const hip = jointOf(whole, limb, pelvis);
  const hangs = rest(SWINGING * (lengths.shank + lengths.thigh), hip.x - foot.ankle.x, hip.z - foot.ankle.z);
  const higher = Math.max(0, hip.y - hangs - foot.ankle.y);
  const up = (point: Point3): Point3 => ({ ...point, y: point.y + higher });
  const lifted = {
    ...foot,
    heel: up(foot.heel),
    toe: up(foot.toe),
    ankle: up(foot.ankle),
    pressure: up(foot.pressure),
  };
  return { ...limb, foot: lifted };
}

/** Where the weight presses on the floor, feet with such shares of it on them. */
const pressedAt = (limbs: readonly Limb[], shares: readonly number[]): Point3 =>
  limbs.map(({ foot }, at) => scaled(foot.pressure, shares[at]!)).reduce(add);

/** How high the pelvis may stand with so much of the weight on the working leg, the feet at their widest. */
function heightAt(whole: Whole, limbs: readonly Limb[], weight: number): number {
  const { body, posture, moment } = whole;
  const { legs, ahead: massAhead } = carriedBy(whole, weight);
  const wider = (Math.max(0, moment.span.width - moment.stanceWidth) * body.lengths.shoulderBreadth) / 2;
  const shares = limbs.map(({ role }) => (role === 'working' ? weight : 1 - weight));
  const aside = limbs.reduce((sum, { sign }, at) => sum + shares[at]! * sign * wider, 0);
  const pressed = pressedAt(limbs, shares);
  const pelvis = { x: pressed.x - massAhead, y: 0, z: pressed.z + aside };
  return Math.min(
    ...standing(limbs).map((limb) => {
      const share = limb.role === 'working' ? weight : 1 - weight;
      const hip = jointOf(whole, limb, pelvis);
      const { ankle } = limb.foot;
      const off = [hip.x - ankle.x, Math.abs(hip.z - ankle.z - limb.sign * wider)] as const;
      const reached = ankle.y + rest(reachOf(body), off[0], off[1] + COUNTER);
      if (posture.seated || share < 0.5) return reached;
      const leg = legs[limb.role];
      const long = Math.hypot(leg.hip.x - leg.ankle.x, leg.hip.y - leg.ankle.y);
      return Math.min(reached, ankle.y + rest(long, ...off));
    }),
  );
}

/** Both legs from the side with so much weight on the working one, and how far before the hips the mass of the body is, m. */
function carriedBy({ body, posture, moment }: Whole, weight: number) {
  const legs = flatLegs(body, posture, { ...moment, weight });
  const { centreOfMass, hip } = legs.statics.joints;
  return { legs, ahead: centreOfMass.x - hip.x };
}

/**
 * How high the pelvis stands over its feet: as high as the bend says, and lower by what the legs go to the sides, at the widest
 * stand and at both ends of the shift of the whole repetition, so that no leg is longer than it is and nobody bobs.
 */
export function hipHeight(whole: Whole, limbs: readonly Limb[]): number {
  const { square, posture, moment } = whole;
  const flat = Math.min(...limbs.map(({ leg }) => leg.hip.y));
  if (square || posture.seated) return flat;
  const { least, most } = moment.span;
  const [low, high] = [
    heightAt(whole, limbs, 0.5),
    Math.min(heightAt(whole, limbs, least), heightAt(whole, limbs, most)),
  ];
  return Math.min(flat, low, Math.max(high, low - LOWER));
}

/** Where the legs carry the pelvis: below it the weight, as far behind as the mass is before the hips. */
export const pelvisOver = (whole: Whole, weight: Point3, height: number): Point3 => ({
  x: weight.x - carriedBy(whole, whole.moment.weight).ahead,
  y: height,
  z: weight.z,
});

/** Over the feet where both legs reach it; lower only where there is no such place. */
export function withinReach(whole: Whole, limbs: readonly Limb[], wanted: Point3): Point3 {
  const { body, square, posture } = whole;
  if (square || posture.seated) return wanted;
  let pelvis = wanted;
  for (const limb of standing(limbs)) {
    const { ankle } = limb.foot;
    const hip = jointOf(whole, limb, pelvis);
    const off = { x: hip.x - ankle.x, y: 0, z: hip.z - ankle.z };
    const far = Math.hypot(off.x, off.z);
    const reached = rest(reachOf(body), hip.y - ankle.y);
    if (far > reached) pelvis = minus(pelvis, scaled(off, 1 - reached / far));
  }
  const highest = standing(limbs).map((limb) => {
    const { ankle } = limb.foot;
    const hip = jointOf(whole, limb, pelvis);
    return ankle.y + rest(reachOf(body), hip.x - ankle.x, hip.z - ankle.z);
  });
  return { ...pelvis, y: Math.min(pelvis.y, ...highest) };
}

/** Seen square to the working foot: exactly as the statics have it. */
function squareLeg({ lengths }: Body, { leg, foot, kneeTo }: Limb, hip: Point3, unturned: Point3): PoseLeg {
  const share = lengths.shank / (lengths.shank + lengths.thigh);
  if (foot.lifted) {
    const flat = bentLeg(lengths.shank, lengths.thigh, { x: foot.ankle.x, y: foot.ankle.y }, unturned);
    return { ankle: foot.ankle, hip, knee: { ...flat.knee, z: mix(foot.ankle.z, unturned.z, share) } };
  }
  const ahead = leg.knee.x - leg.ankle.x;
  const sideways = mix(foot.ankle.z, unturned.z, share) + ahead * kneeTo.z;
  return { ankle: foot.ankle, hip, knee: { x: foot.ankle.x + ahead * kneeTo.x, y: leg.knee.y, z: sideways } };
}

/** A leg below a pelvis: the knee stays where the legs put it while the pelvis turns above it. */
export function legOf(whole: Whole, limb: Limb, pelvis: Point3, across: Point3): PoseLeg {
  const { body, square, posture } = whole;
  const { lengths } = body;
  const { sign, foot, kneeTo } = limb;
  const hip = add(pelvis, scaled(across, sign * halfHips(body)));
  const unturned = square ? { ...pelvis, z: pelvis.z + sign * halfHips(body) } : jointOf(whole, limb, pelvis);
  if (square) return squareLeg(body, limb, hip, unturned);
  const kneeWay = posture.seated ? add(kneeTo, UP) : kneeTo;
  const { middle: knee } = twoBones(foot.ankle, unturned, [lengths.shank, lengths.thigh], kneeWay);
  // The hip joint goes along with the turn as far as the thigh lets it.
  return { ankle: foot.ankle, knee, hip: add(knee, scaled(unit(minus(hip, knee)), lengths.thigh)) };
}

/** How far above the knee a foot lies that is laid on it, and how high over the bones, as shares of stature. House values. */
const ON_KNEE = { along: 0.06, up: 0.06 } as const;

/** A foot and a leg on their way to lying on the knee of the other leg, the knee to the outside. */
export function laidOnKnee(
  { body }: Whole,
  { sign, foot }: Limb,
  leg: PoseLeg,
  other: PoseLeg,
  share: number,
): { foot: PoseFoot; leg: PoseLeg } {
  if (share <= 0) return { foot, leg };
  const { lengths, stature } = body;
  const thigh = unit(minus(other.hip, other.knee));
  const over = squared(UP, thigh, UP);
  const laid = [scaled(thigh, ON_KNEE.along * stature), scaled(over, ON_KNEE.up * stature)].reduce(add, other.knee);
  const ankle = add(mixed(foot.ankle, laid, share), scaled(UP, 0.12 * stature * Math.sin(Math.PI * share)));
  const out = { x: 0, y: 0, z: sign };
  const kneeWay = unit(mixed({ x: 1, y: 1, z: 0 }, [scaled(out, 1), { x: 0.5, y: 0.35, z: 0 }].reduce(add), share));
  const { middle: knee, end } = twoBones(leg.hip, ankle, [lengths.thigh, lengths.shank], kneeWay);
  const flat = unit(minus(foot.toe, foot.heel));
  const shin = unit(minus(end, knee));
  const toes = unit(mixed(flat, squared({ x: 0.7, y: -0.25, z: -0.6 * sign }, shin, flat), share));
  const sole = squared(mixed(scaled(UP, -1), shin, share), toes, scaled(UP, -1));
  const heel = [scaled(toes, -lengths.foot / 4), scaled(sole, lengths.ankleHeight)].reduce(add, end);
  return {
    leg: { ankle: end, knee, hip: leg.hip },
    foot: { ...foot, heel, toe: add(heel, scaled(toes, lengths.foot)), ankle: end, lifted: true, share: 0 },
  };
}
