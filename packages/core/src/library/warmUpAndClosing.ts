import { checkpoints } from '../alignment/checkpoints';
import {
  backCaution,
  bothWays,
  builtIn,
  cycle,
  eachSide,
  hand,
  hold,
  phase,
  posture,
  stopCaution,
  together,
} from './describe';

const loose = checkpoints('feet-flat', 'knees-track', 'low-back-long', 'shoulders-hang', 'breath-free');

export const warmUp = [
  builtIn({
    id: 'joint-circles',
    name: 'Joint circles, ankles to neck',
    family: 'warm-up',
    summary:
      'Small circles of each joint from below upwards: ankles, knees, hips, waist, shoulders, elbows, wrists, and the neck in half circles only.',
    posture: posture({ kneeBendDeg: 10 }),
    phases: [],
    defaultDose: cycle(20, bothWays(4)),
    checkpoints: loose,
    easier: ['Seated', 'Three each way'],
    harder: ['Larger circles'],
    cautions: ['Neck: half circles in front only, never tipped back.'],
  }),
  builtIn({
    id: 'arm-swings',
    name: 'Twisting arm swings',
    family: 'warm-up',
    summary:
      'The pelvis turns from side to side and the empty arms slap along. The knees stay quiet: the turn comes from the hip creases.',
    posture: posture({ kneeBendDeg: 15 }),
    phases: [
      phase('Turn left', 0.5, 'free', { turnDeg: -40, hand: hand(-0.3, 0.7, 0.35), otherHand: hand(0.75, -0.25, 0.3) }),
      phase('Turn right', 0.5, 'free', { turnDeg: 40, hand: hand(0.75, -0.25, 0.3), otherHand: hand(-0.3, 0.7, 0.35) }),
    ],
    defaultDose: cycle(3, together(24)),
    checkpoints: [...loose, ...checkpoints('knees-still', 'waist-leads')],
    easier: ['Smaller', 'Arms hanging'],
    harder: ['Weight shifts along'],
    cautions: [backCaution],
  }),
  builtIn({
    id: 'overhead-stretch',
    name: 'Reaching up with both hands',
    family: 'warm-up',
    summary:
      'Fingers linked, palms turned up, reach overhead and stay for three slow breaths. Only as strong as is comfortable.',
    posture: posture({ kneeBendDeg: 0, shoulderRaiseDeg: 170 }),
    phases: [],
    defaultDose: hold(20, together(3), 10),
    checkpoints: checkpoints('feet-flat', 'low-back-long', 'ribs-soft', 'shoulders-hang', 'breath-free'),
    easier: ['Hands at forehead height', 'Touch the top and come down'],
    harder: ['A breath longer at the top'],
    cautions: ['Overhead work only as strong as is comfortable.', stopCaution],
  }),
  builtIn({
    id: 'leg-swings',
    name: 'Easy leg swings',
    family: 'warm-up',
    summary: 'Beside a chair, one leg swings loosely forward and back from the hip, the other stands quietly.',
    posture: posture({ kneeBendDeg: 5, weightShare: 1 }),
    phases: [],
    defaultDose: cycle(2, eachSide(12)),
    checkpoints: checkpoints('feet-flat', 'torso-upright', 'breath-free'),
    easier: ['Small swings, both hands on the chair'],
    harder: ['Without the chair'],
    cautions: ['Keep the chair within reach.'],
  }),
];

export const closing = [
  builtIn({
    id: 'shake-out',
    name: 'Shake out',
    family: 'closing',
    summary:
      'Bounce softly from the knees and let everything that is loose hang and jiggle: hands, shoulders, cheeks, belly. After anything that was hard.',
    posture: posture({ kneeBendDeg: 15 }),
    phases: [],
    defaultDose: hold(60, together(1)),
    checkpoints: loose,
    easier: ['Hands only'],
    harder: ['Longer'],
    cautions: [],
  }),
  builtIn({
    id: 'rub-down',
    name: 'Rub along the inner arms',
    family: 'closing',
    summary: 'One palm sweeps along the inside of the other arm from the shoulder to the fingers. Three passes a side.',
    posture: posture({ kneeBendDeg: 5, shoulderRaiseDeg: 40 }),
    phases: [],
    defaultDose: cycle(5, eachSide(3)),
    checkpoints: checkpoints('shoulders-hang', 'breath-free'),
    easier: [],
    harder: [],
    cautions: ['Leave out broken or sore skin.'],
  }),
  builtIn({
    id: 'hip-stretch',
    name: 'Seated hip stretch',
    family: 'closing',
    summary:
      'On the front edge of a chair, one ankle on the other knee, lean forward from the hip crease until it pulls gently, and stay.',
    posture: posture({ seated: true, kneeBendDeg: 90, trunkPitchDeg: 25 }),
    phases: [],
    defaultDose: hold(40, eachSide(1), 10),
    checkpoints: checkpoints('hip-crease-folds', 'low-back-long', 'breath-free'),
    easier: ['Foot on the floor, knee out'],
    harder: ['Twice a side'],
    cautions: ['No pull in the knee itself: then take the foot down.'],
  }),
  builtIn({
    id: 'gathering-home',
    name: 'Gathering home',
    family: 'closing',
    summary:
      'The hands rise at the sides, come down the front of the body and rest on the belly. Three times, then stand quietly for a few breaths.',
    posture: posture({ kneeBendDeg: 10, shoulderRaiseDeg: 60 }),
    phases: [
      phase('Hands rise at the sides', 0.5, 'in', { hand: hand(0.7, 0.2, 1.7), otherHand: hand(0.7, 0.2, 1.7) }),
      phase('Hands come down the front', 0.5, 'out', { hand: hand(0.15, 0.7, 0.2), otherHand: hand(0.15, 0.7, 0.2) }),
    ],
    defaultDose: cycle(12, together(3)),
    checkpoints: checkpoints('feet-flat', 'shoulders-hang', 'eyes-level', 'breath-free'),
    easier: ['Seated'],
    harder: [],
    cautions: [],
  }),
];
