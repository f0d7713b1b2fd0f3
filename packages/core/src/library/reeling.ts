import { checkpoints } from '../alignment/checkpoints';
import {
  builtIn,
  cycle,
  eachSideBothWays,
  bothWays,
  eachSide,
  hand,
  kneeCaution,
  phase,
  posture,
  stopCaution,
} from './describe';

const turning = checkpoints(
  'feet-flat',
  'knees-track',
  'knees-still',
  'hip-crease-folds',
  'waist-leads',
  'low-back-long',
  'shoulders-hang',
  'elbows-low',
  'breath-free',
);
/** Working-side toes 45° out, the other foot slightly in. */
const stance = posture({
  kneeBendDeg: 30,
  weightShare: 0.7,
  stanceWidth: 1.4,
  shoulderRaiseDeg: 35,
  elbowBendDeg: 40,
  toesOutDeg: 45,
  otherToesOutDeg: -8,
});

const onHip = hand(0.55, 0.1, 0.05);
const atBelly = hand(0, 0.8, 0.2);
const atNeck = hand(0, 0.9, 1.08);
const inCorner = hand(0.4, 1.1, 0.85);
const pressedDown = hand(0.6, 0.7, 0.12);

export const reeling = [
  builtIn({
    id: 'one-hand-reeling',
    prerequisites: ['shift-and-turn'],
    name: 'One-hand silk-reeling',
    family: 'reeling',
    summary:
      'One circle in four counts. Shift and turn are kept apart: the weight crosses first, the pelvis turns after. The hand follows the body: body stops, hand stops. Working-side toes 45° out, the other foot slightly in.',
    posture: stance,
    phases: [
      phase('Arm opens to the corner, palm presses down to the belly, weight shifts across', 0.25, 'out', {
        weight: 'empty',
        turnDeg: 45,
        hand: pressedDown,
        otherHand: onHip,
      }),
      phase('Pelvis turns to the other side, palm turns up and comes to the centre', 0.25, 'out', {
        weight: 'empty',
        turnDeg: -45,
        hand: atBelly,
        otherHand: onHip,
      }),
      phase('Palm lifts on the centre line to the neck, weight shifts back', 0.25, 'in', {
        weight: 'full',
        turnDeg: -45,
        hand: atNeck,
        otherHand: onHip,
      }),
      phase('Pelvis turns to the first corner, the arm opens', 0.25, 'in', {
        weight: 'full',
        turnDeg: 45,
        hand: inCorner,
        otherHand: onHip,
      }),
    ],
    defaultDose: cycle(11, eachSideBothWays(8)),
    checkpoints: [...turning, ...checkpoints('wrists-alive', 'hands-layered')],
    easier: ['Arm only, standing still', 'Turn only', 'Shift and turn without the arm'],
    harder: ['Sixteen circles each way', 'Lower, knees still behind the toes', 'One foot forward'],
    cautions: [kneeCaution, stopCaution],
  }),
  builtIn({
    id: 'shift-and-turn',
    name: 'Shift and turn, no arms',
    family: 'reeling',
    summary:
      'The legs of silk-reeling alone, hands on the hip bones: seven tenths of the weight to one leg, then the pelvis turns 45°; across, and turn back.',
    posture: posture({
      kneeBendDeg: 30,
      weightShare: 0.7,
      stanceWidth: 1.4,
      shoulderRaiseDeg: 5,
      elbowBendDeg: 70,
      toesOutDeg: 20,
    }),
    phases: [
      phase('Weight shifts across', 0.25, 'out', { weight: 'empty', turnDeg: 45, hand: onHip, otherHand: onHip }),
      phase('Pelvis turns, knees still', 0.25, 'out', {
        weight: 'empty',
        turnDeg: -45,
        hand: onHip,
        otherHand: onHip,
      }),
      phase('Weight shifts back', 0.25, 'in', { weight: 'full', turnDeg: -45, hand: onHip, otherHand: onHip }),
      phase('Pelvis turns back', 0.25, 'in', { weight: 'full', turnDeg: 45, hand: onHip, otherHand: onHip }),
    ],
    defaultDose: cycle(10, bothWays(8)),
    checkpoints: turning,
    easier: ['Shift only', 'Turn only, weight even'],
    harder: ['Join one arm', 'Slower, without a stop between the parts'],
    cautions: [kneeCaution],
  }),
  builtIn({
    id: 'two-hand-reeling',
    prerequisites: ['one-hand-reeling'],
    name: 'Two-hand silk-reeling',
    family: 'reeling',
    summary:
      'Both hands circle half a turn apart: one rises on the centre line while the other opens to the corner and presses down. Only when each hand alone is continuous.',
    posture: { ...stance, toesOutDeg: 20, otherToesOutDeg: 20 },
    phases: [
      phase('Weight shifts left, right hand rises, left hand presses', 0.25, 'in', {
        weight: 'full',
        turnDeg: -45,
        hand: pressedDown,
        otherHand: atNeck,
      }),
      phase('Pelvis turns left', 0.25, 'in', { weight: 'full', turnDeg: 45, hand: atBelly, otherHand: inCorner }),
      phase('Weight shifts right, left hand rises, right hand presses', 0.25, 'out', {
        weight: 'empty',
        turnDeg: 45,
        hand: atNeck,
        otherHand: pressedDown,
      }),
      phase('Pelvis turns right', 0.25, 'out', { weight: 'empty', turnDeg: -45, hand: inCorner, otherHand: atBelly }),
    ],
    defaultDose: cycle(12, bothWays(8)),
    checkpoints: [...turning, ...checkpoints('wrists-alive')],
    easier: ['One hand rests on the hip'],
    harder: ['Sixteen each way', 'One foot forward'],
    cautions: [kneeCaution, stopCaution],
  }),
  builtIn({
    id: 'forward-reeling',
    prerequisites: ['one-hand-reeling'],
    name: 'Forward silk-reeling',
    family: 'reeling',
    summary:
      'The circle in a bow stance: weight pours forward as the palm goes out and over, and sinks back as it comes under. Attention to the little finger on the way under, the thumb on the way over.',
    posture: posture({
      kneeBendDeg: 35,
      weightShare: 0.7,
      shoulderRaiseDeg: 40,
      elbowBendDeg: 40,
      ahead: 1.8,
      stanceWidth: 0.6,
    }),
    phases: [
      phase('Palm goes out and over, weight forward', 0.5, 'out', {
        weight: 'full',
        turnDeg: 0,
        hand: hand(0.3, 1.25, 0.95),
        otherHand: onHip,
      }),
      phase('Palm comes under, weight back', 0.5, 'in', {
        weight: 'empty',
        turnDeg: -20,
        hand: hand(0.2, 0.6, 0.25),
        otherHand: onHip,
      }),
    ],
    defaultDose: cycle(9, eachSideBothWays(8)),
    checkpoints: turning,
    easier: ['Shorter stance', 'Hand at belly height only'],
    harder: ['Sixteen each way', 'All the weight back at the end of the turn'],
    cautions: [kneeCaution],
  }),
  builtIn({
    id: 'shoulder-wheel',
    name: 'Shoulder wheel',
    family: 'reeling',
    summary:
      'A reeling of the shoulder joint: the arm hangs, the weight shifts, and the shoulder draws a slow circle that the arm only hangs from.',
    posture: posture({ kneeBendDeg: 20 }),
    phases: [
      phase('Up and back', 0.5, 'in', { weight: 0.6, hand: hand(0.6, 0, -0.02), otherHand: null }),
      phase('Down and forward', 0.5, 'out', { weight: 0.4, hand: hand(0.58, 0.3, -0.12), otherHand: null }),
    ],
    defaultDose: cycle(6, eachSide(9)),
    checkpoints: checkpoints('feet-flat', 'ribs-soft', 'shoulders-hang', 'crown-up', 'breath-free'),
    easier: ['Seated', 'Half the circle'],
    harder: ['Joined with the shift of weight'],
    cautions: [],
  }),
];
