import { checkpoints } from '../alignment/checkpoints';
import {
  backCaution,
  balanceCaution,
  builtIn,
  cycle,
  eachSide,
  hand,
  kneeCaution,
  phase,
  posture,
  stopCaution,
  together,
} from './describe';

const legs = checkpoints(
  'feet-flat',
  'ankles-soft',
  'knees-track',
  'hip-crease-folds',
  'low-back-long',
  'torso-upright',
  'breath-free',
);

export const strength = [
  builtIn({
    id: 'squat-and-bounce',
    name: 'Squat and bounce',
    family: 'strength',
    summary:
      'Heels a small gap apart, feet turned out 45°. Sink as far as the heels stay down, bounce softly, come up. About 27 for a start.',
    posture: posture({ kneeBendDeg: 55, trunkPitchDeg: 25, stanceWidth: 0.3, toesOutDeg: 45 }),
    phases: [phase('Sink and bounce', 0.6, 'out', { bendDeg: 55 }), phase('Come up', 0.4, 'in', { bendDeg: 5 })],
    defaultDose: cycle(3, together(27)),
    checkpoints: legs,
    easier: ['Half as deep', 'Hold a table edge', 'Nine at a time'],
    harder: ['Thirty-six', 'Arms forward'],
    cautions: [kneeCaution, stopCaution],
  }),
  builtIn({
    id: 'heel-lifts',
    name: 'Slow heel lifts',
    family: 'strength',
    summary: 'Rise on the balls of the feet on one breath, hang there, come down on the next, without a thump.',
    posture: posture({ kneeBendDeg: 5, stanceWidth: 0.8, pressurePoint: 0.72 }),
    phases: [phase('Rise', 0.5, 'in', null), phase('Come down', 0.5, 'out', null)],
    defaultDose: cycle(6, together(12)),
    checkpoints: checkpoints('feet-flat', 'ankles-soft', 'torso-upright', 'crown-up', 'breath-free'),
    easier: ['Fingertips on a wall'],
    harder: ['One leg', 'Eyes closed beside a wall'],
    cautions: [balanceCaution],
  }),
  builtIn({
    id: 'bow-sinking',
    name: 'Sinking in the bow',
    family: 'strength',
    summary:
      'In a bow stance, sink a hand-breadth straight down and come up again, seven tenths of the weight in front. The knee points to the toes all the way.',
    posture: posture({ kneeBendDeg: 45, weightShare: 0.7, ahead: 2 }),
    phases: [
      phase('Sink', 0.5, 'out', { weight: 0.7, bendDeg: 45 }),
      phase('Rise', 0.5, 'in', { weight: 0.7, bendDeg: 25 }),
    ],
    defaultDose: cycle(5, eachSide(9), 15),
    checkpoints: legs,
    easier: ['Shorter stance', 'Less deep'],
    harder: ['Twelve a side', 'A pause at the bottom'],
    cautions: [kneeCaution],
  }),
];

const walking = checkpoints(
  'feet-flat',
  'knees-track',
  'hip-crease-folds',
  'torso-upright',
  'eyes-level',
  'breath-free',
);

export const stepping = [
  builtIn({
    id: 'cloud-steps',
    name: 'Cloud steps',
    family: 'stepping',
    summary:
      'Sideways, three steps and back. Travelling left: the left foot steps out, the right comes in, always; travelling right the mirror. The hands change over while the weight shifts.',
    posture: posture({ kneeBendDeg: 25, weightShare: 0.9, stanceWidth: 1.1, shoulderRaiseDeg: 45, elbowBendDeg: 50 }),
    phases: [
      phase('Step out, empty', 0.2, 'in', {
        weight: 0,
        stanceWidth: 1.1,
        lifted: 'working',
        turnDeg: -15,
        hand: hand(-0.2, 0.85, 0.25),
        otherHand: hand(0.4, 0.9, 1),
      }),
      phase('Weight pours across, hands change', 0.3, 'out', {
        weight: 1,
        stanceWidth: 1.1,
        turnDeg: 15,
        hand: hand(0.1, 0.9, 1),
        otherHand: hand(-0.1, 0.85, 0.25),
      }),
      phase('Other foot comes in', 0.2, 'in', {
        weight: 1,
        stanceWidth: 0.3,
        lifted: 'other',
        turnDeg: 15,
        hand: hand(0.4, 0.9, 1),
        otherHand: hand(-0.2, 0.85, 0.25),
      }),
      phase('Weight settles', 0.3, 'out', {
        weight: 0,
        stanceWidth: 0.3,
        turnDeg: -15,
        hand: hand(-0.1, 0.85, 0.25),
        otherHand: hand(0.1, 0.9, 1),
      }),
    ],
    travel: { out: 0.35, forward: 0, turnDeg: 0 },
    prerequisites: ['shift-and-turn'],
    defaultDose: cycle(8, eachSide(3)),
    checkpoints: walking,
    easier: ['Legs only', 'Shorter steps'],
    harder: ['The length of the room', 'Lower, at one height'],
    cautions: [kneeCaution, balanceCaution],
  }),
  builtIn({
    id: 'cat-walk',
    name: 'Empty-step walk',
    family: 'stepping',
    summary:
      'Forward, one slow step at a time: the foot is placed empty, flattened, then the weight is poured in. A step that cannot be taken back without a push was too long.',
    posture: posture({ kneeBendDeg: 30, weightShare: 1 }),
    phases: [
      phase('All the weight on the standing leg', 0.35, 'out', {
        weight: 0,
        ahead: 0,
        stanceWidth: 0.5,
        lifted: 'working',
      }),
      phase('The empty foot is placed', 0.25, 'in', { weight: 0, ahead: 0.85, stanceWidth: 0.5, lifted: 'working' }),
      phase('The weight pours in', 0.4, 'out', { weight: 1, ahead: 0.85, stanceWidth: 0.5 }),
    ],
    phasesSwap: true,
    travel: { out: 0, forward: 0.22, turnDeg: 0 },
    prerequisites: ['empty-full'],
    defaultDose: cycle(7, eachSide(6)),
    checkpoints: walking,
    easier: ['Shorter steps', 'Along a wall'],
    harder: ['Lower', 'Backwards', 'Pause with the foot in the air'],
    cautions: [balanceCaution, kneeCaution],
  }),
  builtIn({
    id: 'step-and-return',
    name: 'Step and take back',
    family: 'stepping',
    summary:
      'The test of a step: place the foot, put no weight on it, take it back. All the weight stays on the standing leg throughout.',
    posture: posture({ kneeBendDeg: 30, weightShare: 1 }),
    phases: [
      phase('Foot goes out', 0.5, 'out', { weight: 0, ahead: 0.85, stanceWidth: 0.6, lifted: 'working' }),
      phase('Foot comes back', 0.5, 'in', { weight: 0, ahead: 0, stanceWidth: 0.6, lifted: 'working' }),
    ],
    defaultDose: cycle(6, eachSide(8)),
    checkpoints: [...walking, ...checkpoints('low-back-long')],
    easier: ['Hand on a chair', 'Half the distance'],
    harder: ['Further out', 'Lower'],
    cautions: [balanceCaution, backCaution],
  }),
];
