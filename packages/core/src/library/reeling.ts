import { checkpoints } from '../alignment/checkpoints';
import { builtIn, cycle, eachSideBothWays, bothWays, eachSide, kneeCaution, posture, stopCaution } from './describe';

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
const stance = posture({ kneeBendDeg: 30, weightShare: 0.7, stanceWidth: 1.4, shoulderRaiseDeg: 35, elbowBendDeg: 40 });

export const reeling = [
  builtIn({
    id: 'one-hand-reeling',
    name: 'One-hand silk-reeling',
    family: 'reeling',
    summary:
      'One circle in four counts. Shift and turn are kept apart: the weight crosses first, the pelvis turns after. The hand follows the body: body stops, hand stops. Working-side toes 45° out, the other foot slightly in.',
    posture: stance,
    phases: [
      {
        name: 'Arm opens to the corner, palm presses down to the belly, weight shifts across',
        share: 0.25,
        breath: 'out',
      },
      { name: 'Pelvis turns to the other side, palm turns up and comes to the centre', share: 0.25, breath: 'out' },
      { name: 'Palm lifts on the centre line to the neck, weight shifts back', share: 0.25, breath: 'in' },
      { name: 'Pelvis turns to the first corner, the arm opens', share: 0.25, breath: 'in' },
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
    posture: posture({ kneeBendDeg: 30, weightShare: 0.7, stanceWidth: 1.4 }),
    phases: [
      { name: 'Weight shifts across', share: 0.25, breath: 'out' },
      { name: 'Pelvis turns, knees still', share: 0.25, breath: 'out' },
      { name: 'Weight shifts back', share: 0.25, breath: 'in' },
      { name: 'Pelvis turns back', share: 0.25, breath: 'in' },
    ],
    defaultDose: cycle(10, bothWays(8)),
    checkpoints: turning,
    easier: ['Shift only', 'Turn only, weight even'],
    harder: ['Join one arm', 'Slower, without a stop between the parts'],
    cautions: [kneeCaution],
  }),
  builtIn({
    id: 'two-hand-reeling',
    name: 'Two-hand silk-reeling',
    family: 'reeling',
    summary:
      'Both hands circle half a turn apart: one rises on the centre line while the other opens to the corner and presses down. Only when each hand alone is continuous.',
    posture: stance,
    phases: [
      { name: 'Weight shifts left, right hand rises, left hand presses', share: 0.25, breath: 'in' },
      { name: 'Pelvis turns left', share: 0.25, breath: 'in' },
      { name: 'Weight shifts right, left hand rises, right hand presses', share: 0.25, breath: 'out' },
      { name: 'Pelvis turns right', share: 0.25, breath: 'out' },
    ],
    defaultDose: cycle(12, bothWays(8)),
    checkpoints: [...turning, ...checkpoints('wrists-alive')],
    easier: ['One hand rests on the hip'],
    harder: ['Sixteen each way', 'One foot forward'],
    cautions: [kneeCaution, stopCaution],
  }),
  builtIn({
    id: 'forward-reeling',
    name: 'Forward silk-reeling',
    family: 'reeling',
    summary:
      'The circle in a bow stance: weight pours forward as the palm goes out and over, and sinks back as it comes under. Attention to the little finger on the way under, the thumb on the way over.',
    posture: posture({ kneeBendDeg: 35, weightShare: 0.7, shoulderRaiseDeg: 40, elbowBendDeg: 40 }),
    phases: [
      { name: 'Palm goes out and over, weight forward', share: 0.5, breath: 'out' },
      { name: 'Palm comes under, weight back', share: 0.5, breath: 'in' },
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
      { name: 'Up and back', share: 0.5, breath: 'in' },
      { name: 'Down and forward', share: 0.5, breath: 'out' },
    ],
    defaultDose: cycle(6, eachSide(9)),
    checkpoints: checkpoints('feet-flat', 'ribs-soft', 'shoulders-hang', 'crown-up', 'breath-free'),
    easier: ['Seated', 'Half the circle'],
    harder: ['Joined with the shift of weight'],
    cautions: [],
  }),
];
