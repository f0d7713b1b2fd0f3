import { rad } from '../words/angles';
import type { Body } from '../body/body';
import type { Palm } from '../library/palm';
import type { SettledPosture } from '../schools/conventions';
import { clothed, placeOnBody, type BodyPlace, type Placed } from './bodyPlaces';
import type { ArmMoment, ArmStand } from './momentShape';
import type { ArmLine, FootSide, PoseArm } from './pose';
import { add, cross, dot, lengthOf, minus, mixed, scaled, squared, turnedAbout, unit, UP, type Point3 } from './point3';
import { placeOnWay } from './wayThrough';

/** Shoulder joints as a share of the breadth of the shoulders, for drawing. */
const SHOULDER_JOINTS = 0.86;
/** Round arms: elbows out by this share of the upper arm. */
const ROUND = 0.45;
/** How far out an arm goes that hangs, degrees; a house value for drawing. */
const HANG_OUT = 9;
/** A hand-breadth as a share of stature, for the gap between the hands of round arms. */
const HAND_BREADTH = 0.047;

/** How far a shoulder goes: up or down, and forward or back; degrees about the foot of the neck. House values. */
const GIRDLE = { up: 30, down: 12, forward: 28, back: 24 } as const;
/** Rounds in which a hand that lies on the body and the forearm behind it come to terms. */
const LAYING = 5;

/** What an arm hangs from, and what it does. */
export interface ArmPlace {
  readonly body: Body;
  readonly posture: SettledPosture;
  readonly side: FootSide;
  readonly placed: Placed;
  /** Which way the chest faces, level, and its right. */
  readonly facing: Point3;
  readonly across: Point3;
  readonly moment: ArmMoment;
  /** The other arm, for a hand that lies on it; null where it is not known. */
  readonly other: PoseArm | null;
}

/** An arm as it hangs in space, and its shoulder. */
interface Hung extends ArmPlace {
  readonly sign: number;
  readonly shoulder: Point3;
}

const step = (value: number, from: number, to: number): number =>
  Math.max(0, Math.min(1, (value - from) / (to - from)));

/** How round the arms are, 0 parallel to 1 hands before the body: as they rise and bend. */
const roundness = ({ shoulderRaiseDeg, elbowBendDeg }: SettledPosture): number =>
  Math.min(step(shoulderRaiseDeg, 5, 40), step(elbowBendDeg, 10, 40)) * (1 - step(elbowBendDeg, 110, 150));

/** How far an elbow bends, degrees (American Academy of Orthopaedic Surgeons, Joint Motion, 1965; from memory). */
const MOST_BENT = 150;
/** How far a hand that lies on something is bent against its forearm, degrees; from the same. */
const WRIST = 80;

/** Two bones of full length from a joint to a goal, the middle joint to that side of the line between them. */
export function twoBones(
  from: Point3,
  goal: Point3,
  [first, second]: readonly [number, number],
  middleTo: Point3,
): { readonly middle: Point3; readonly end: Point3 } {
  const reach = minus(goal, from);
  const way = unit(reach);
  // Nothing bends further than an elbow and a knee do.
  const folded = Math.sqrt(first ** 2 + second ** 2 + 2 * first * second * Math.cos(rad(MOST_BENT)));
  const far = Math.max(folded, Math.min(lengthOf(reach), first + second));
  const share = (first ** 2 + far ** 2 - second ** 2) / (2 * far);
  const height = Math.sqrt(Math.max(0, first ** 2 - share ** 2));
  const aside = minus(middleTo, scaled(way, dot(middleTo, way)));
  // What is straight bends nowhere.
  const sideways = lengthOf(aside) < 1e-6 ? aside : unit(aside);
  return { middle: add(add(from, scaled(way, share)), scaled(sideways, height)), end: add(from, scaled(way, far)) };
}

/** Where a shoulder is that is raised or brought forward: it keeps its distance from the foot of the neck. */
function shoulderOf({ body, placed: { spine }, moment }: ArmPlace, sign: number): Point3 {
  const { shoulderUp, shoulderForward } = moment;
  const up = rad(shoulderUp * (shoulderUp > 0 ? GIRDLE.up : GIRDLE.down));
  const ahead = rad(shoulderForward * (shoulderForward > 0 ? GIRDLE.forward : GIRDLE.back));
  const out = [
    scaled(spine.chestAcross, sign * Math.cos(up) * Math.cos(ahead)),
    scaled(spine.high, Math.sin(up)),
    scaled(spine.chestFront, Math.cos(up) * Math.sin(ahead)),
  ].reduce(add);
  return add(spine.shoulders, scaled(unit(out), (SHOULDER_JOINTS * body.lengths.shoulderBreadth) / 2));
}

/**
 * An arm as the posture says. Seen from the side its parts lie at the angles of the posture; what they go out or in makes them
 * shorter there, and no longer than they are.
 */
function fromPosture({ body, posture, sign, facing, across, shoulder }: Hung): ArmLine {
  const { upperArm, forearm, hand, shoulderBreadth } = body.lengths;
  const half = (SHOULDER_JOINTS * shoulderBreadth) / 2;
  const round = roundness(posture);
  // An arm that hangs goes out a little, past the hip.
  const hanging = Math.sin(rad(HANG_OUT)) * (1 - step(posture.shoulderRaiseDeg, 5, 40));
  /** A direction in the plane of the trunk, so much of it outward. */
  const going = (degrees: number, out: number): Point3 =>
    [
      scaled(facing, Math.sqrt(1 - out ** 2) * Math.sin(rad(degrees))),
      scaled(UP, -Math.sqrt(1 - out ** 2) * Math.cos(rad(degrees))),
      scaled(across, sign * out),
    ].reduce(add);
  const elbowOut = (1 - round) * hanging + round * ROUND;
  // From the elbow the forearm comes back in, so that round hands end before the body.
  const wristOut =
    (1 - round) * (half + hanging * (upperArm + forearm)) + round * ((HAND_BREADTH * body.stature) / 2 + 0.97 * hand);
  const back = Math.max(-0.95, Math.min(0.95, (wristOut - half - elbowOut * upperArm) / forearm));
  const elbow = add(shoulder, scaled(going(posture.shoulderRaiseDeg, elbowOut), upperArm));
  const fore = going(posture.shoulderRaiseDeg + posture.elbowBendDeg, back);
  const wrist = add(elbow, scaled(fore, forearm));
  const along = unit(add(scaled(fore, 1 - 0.8 * round), scaled(across, -sign * 0.8 * round)));
  return { shoulder, elbow, wrist, hand: add(wrist, scaled(along, hand)) };
}

/** Where a palm faces in space. */
function palmTo(palm: Palm, sign: number, facing: Point3, across: Point3): Point3 {
  switch (palm) {
    case 'in':
      return scaled(across, -sign);
    case 'out':
      return scaled(across, sign);
    case 'up':
      return UP;
    case 'down':
      return scaled(UP, -1);
    case 'forward':
      return facing;
    case 'back':
      return scaled(facing, -1);
  }
}

/** Where a palm faces of which nothing is said: to the thigh where the arm hangs, to the body where it is held out. */
function restingPalm(along: Point3, facing: Point3, across: Point3, sign: number): Point3 {
  const hanging = Math.max(0, -along.y) ** 2;
  return unit(mixed(scaled(facing, -1), scaled(across, -sign), hanging));
}

/** An arm in one stand: where its palm is, where its elbow goes, how its hand lies and faces. */
interface Aim {
  readonly arm: ArmLine;
  readonly palm: Point3;
  readonly elbowTo: Point3;
  readonly facing: Point3;
  readonly kind: 'as posture' | 'free' | 'lying';
}

const palmOf = ({ wrist, hand }: ArmLine): Point3 => mixed(wrist, hand, 0.5);

/** Bent at the elbow only, the hand going on from the forearm, its palm in a place. */
function straightTo({ body, shoulder }: Hung, palm: Point3, elbowTo: Point3): ArmLine {
  const { upperArm, forearm, hand } = body.lengths;
  const { middle: elbow, end } = twoBones(shoulder, palm, [upperArm, forearm + hand / 2], elbowTo);
  const on = unit(minus(end, elbow));
  const wrist = add(elbow, scaled(on, forearm));
  return { shoulder, elbow, wrist, hand: add(wrist, scaled(on, hand)) };
}

/** The palm in a place, the hand in a direction. */
function alongTo({ body, shoulder }: Hung, palm: Point3, along: Point3, elbowTo: Point3): ArmLine {
  const { upperArm, forearm, hand } = body.lengths;
  const goal = minus(palm, scaled(along, hand / 2));
  const { middle: elbow, end: wrist } = twoBones(shoulder, goal, [upperArm, forearm], elbowTo);
  return { shoulder, elbow, wrist, hand: add(wrist, scaled(along, hand)) };
}

/** Flat on a surface, as nearly in the direction of the forearm as that allows. */
function layOn(hung: Hung, { at, out, fingersTo }: BodyPlace, elbowTo: Point3): ArmLine {
  const palm = add(at, scaled(out, clothed.hand * hung.body.stature));
  // Where the forearm stands on the surface, the hand lies away from the shoulder.
  const away = squared(fingersTo ?? minus(palm, hung.shoulder), out, UP);
  let along = away;
  let arm = alongTo(hung, palm, along, elbowTo);
  for (let round = 0; round < LAYING; round += 1) {
    along = squared(add(unit(minus(arm.wrist, arm.elbow)), scaled(away, 0.6)), out, along);
    arm = alongTo(hung, palm, along, elbowTo);
  }
  const fore = unit(minus(arm.wrist, arm.elbow));
  if (dot(fore, along) >= Math.cos(rad(WRIST))) return arm;
  // A forearm that stands on the surface leaves the heel of the hand off it.
  const aside = squared(along, fore, out);
  const bent = add(scaled(fore, Math.cos(rad(WRIST))), scaled(aside, Math.sin(rad(WRIST))));
  return alongTo(hung, palm, bent, elbowTo);
}

/** The elbow hangs below and outside the line from shoulder to hand; swung up by so much about it. */
function swung(elbowTo: Point3, { shoulder, sign, moment }: Hung, palm: Point3): Point3 {
  if (moment.elbowUpDeg === 0) return elbowTo;
  return turnedAbout(elbowTo, unit(minus(palm, shoulder)), -sign * rad(moment.elbowUpDeg));
}

function aimOf(hung: Hung, stand: ArmStand): Aim {
  const { body, side, sign, placed, facing, across, other } = hung;
  const { shoulderBreadth, trunk } = body.lengths;
  const place = stand.on === null ? null : placeOnBody(stand.on, side, placed, other);
  if (place !== null) {
    const elbowTo = swung(place.elbowTo, hung, place.at);
    const arm = layOn(hung, place, elbowTo);
    const down = stand.laid === 'palm' ? -1 : 1;
    return { arm, palm: palmOf(arm), elbowTo, facing: scaled(place.out, down), kind: 'lying' };
  }
  const faced = (arm: ArmLine): Point3 =>
    stand.palm === null
      ? restingPalm(unit(minus(arm.hand, arm.wrist)), facing, across, sign)
      : palmTo(stand.palm, sign, facing, across);
  if (stand.hand === null) {
    const arm = fromPosture(hung);
    const line = unit(minus(arm.wrist, arm.shoulder));
    const bent = minus(arm.elbow, arm.shoulder);
    const elbowTo = squared(bent, line, add(scaled(UP, -1), scaled(across, sign * 0.6)));
    return { arm, palm: palmOf(arm), elbowTo, facing: faced(arm), kind: 'as posture' };
  }
  const palm = [
    scaled(across, sign * stand.hand.out * shoulderBreadth),
    scaled(facing, stand.hand.forward * shoulderBreadth),
    scaled(UP, stand.hand.up * trunk),
  ].reduce(add, placed.pelvis);
  // Below and outside; of a hand above the shoulder also in front.
  const raised = Math.max(0, unit(minus(palm, hung.shoulder)).y);
  const hanging = [scaled(UP, -1), scaled(across, sign * 0.6), scaled(facing, 0.8 * raised)].reduce(add);
  const elbowTo = swung(unit(hanging), hung, palm);
  const arm = straightTo(hung, palm, elbowTo);
  return { arm, palm, elbowTo, facing: faced(arm), kind: 'free' };
}

/** A direction on its way to another, evenly; from one to its opposite over a third. */
function turnedTowards(from: Point3, to: Point3, share: number, over: Point3): Point3 {
  const angle = Math.acos(Math.max(-1, Math.min(1, dot(unit(from), unit(to)))));
  if (angle < 1e-4) return unit(from);
  const aside = angle > Math.PI - 0.05 ? squared(over, unit(from), UP) : squared(to, unit(from), over);
  return add(scaled(unit(from), Math.cos(angle * share)), scaled(aside, Math.sin(angle * share)));
}

/** An arm between two stands; as the posture has it where both leave it so. */
function between(hung: Hung, from: Aim, to: Aim): ArmLine {
  const { stands, share } = hung.moment;
  if (from.kind === 'as posture' && to.kind === 'as posture') return from.arm;
  if (from === to) return from.arm;
  const palmAt = (stand: ArmStand): Point3 => aimOf(hung, stand).palm;
  const palm = placeOnWay([palmAt(stands[0]), from.palm, to.palm, palmAt(stands[3])], share);
  const elbowTo = turnedTowards(from.elbowTo, to.elbowTo, share, scaled(hung.facing, -1));
  if (from.kind === 'free' && to.kind === 'free') return straightTo(hung, palm, elbowTo);
  const hand = ({ arm }: Aim): Point3 => unit(minus(arm.hand, arm.wrist));
  return alongTo(hung, palm, turnedTowards(hand(from), hand(to), share, from.facing), elbowTo);
}

/** What lay square to one direction, carried along to another on the shortest way. */
function carriedTo(direction: Point3, from: Point3, to: Point3): Point3 {
  const axis = cross(from, to);
  const sin = lengthOf(axis);
  return sin < 1e-6 ? direction : turnedAbout(direction, unit(axis), Math.atan2(sin, dot(from, to)));
}

/** From about here on two palms face opposite ways, rad: the forearm rolls over the side on which the thumb is up. */
const OPPOSITE = 2.9;

/** A palm on its way from facing one way to facing another, rolling about its own length. */
function rolled(from: Aim, to: Aim, along: Point3, inward: Point3, share: number): Point3 {
  const faced = ({ arm, facing }: Aim): Point3 => {
    const own = unit(minus(arm.hand, arm.wrist));
    return squared(carriedTo(squared(facing, own, inward), own, along), along, UP);
  };
  const [start, end] = [faced(from), faced(to)];
  const angle = Math.atan2(dot(cross(start, end), along), dot(start, end));
  if (Math.abs(angle) < OPPOSITE) return turnedAbout(start, along, angle * share);
  const over = dot(cross(start, inward), along) >= 0 ? 1 : -1;
  return turnedAbout(start, along, over * (over * angle < 0 ? 2 * Math.PI - Math.abs(angle) : Math.abs(angle)) * share);
}

/** An arm where its moment has it: it hangs as in the posture, reaches for a place, or lies on the body, or is on the way. */
export function placeArm(place: ArmPlace): PoseArm {
  const { side, moment, across } = place;
  const sign = side === 'right' ? 1 : -1;
  const hung: Hung = { ...place, sign, shoulder: shoulderOf(place, sign) };
  const [, start, end] = moment.stands;
  const from = aimOf(hung, start);
  const to = start === end ? from : aimOf(hung, end);
  const arm = between(hung, from, to);
  const along = unit(minus(arm.hand, arm.wrist));
  const faced = rolled(from, to, along, scaled(across, -sign), moment.share);
  const thumb = scaled(cross(along, faced), -sign);
  const [bend, aside] = [rad(moment.wristBendDeg), rad(moment.wristAsideDeg)];
  const bent = add(scaled(along, Math.cos(bend)), scaled(faced, Math.sin(bend)));
  const pointing = unit(add(scaled(bent, Math.cos(aside)), scaled(thumb, Math.sin(aside))));
  const said = start.palm !== null || end.palm !== null;
  const lies = (moment.share < 0.5 ? from : to).kind === 'lying';
  const palm = squared(faced, pointing, scaled(along, -1));
  return {
    ...arm,
    hand: add(arm.wrist, scaled(pointing, place.body.lengths.hand)),
    palm: said && !lies ? palm : null,
    facing: palm,
    closed: moment.closed,
    lies: from.kind === 'lying' && to.kind === 'lying',
  };
}
