import { checkpoints } from '../alignment/checkpoints';
import { breathCaution, breathe, builtIn, pattern, posture, stopCaution } from './describe';

const calm = checkpoints(
  'feet-flat',
  'low-back-long',
  'ribs-soft',
  'shoulders-hang',
  'crown-up',
  'jaw-quiet',
  'breath-free',
);
const seated = posture({ seated: true, kneeBendDeg: 90 });

export const breathing = [
  builtIn({
    id: 'belly-breathing',
    name: 'Belly breathing',
    family: 'breathing',
    summary:
      'Both palms on the belly, three finger-widths below the navel. The belly comes to the hands on the way in and sinks on the way out. Nothing is pushed.',
    posture: posture({ kneeBendDeg: 10, shoulderRaiseDeg: 10, elbowBendDeg: 70 }),
    phases: [],
    defaultDose: breathe(18, pattern(4, 0, 6, 0)),
    checkpoints: calm,
    easier: ['Seated or lying down', 'Your own rhythm, only watched'],
    harder: ['A longer way out', 'Three minutes'],
    cautions: [stopCaution],
  }),
  builtIn({
    id: 'opening-closing',
    name: 'Opening and closing the gate',
    family: 'breathing',
    summary:
      'The breathing gesture: hands from head width to just past the shoulders on the way in, and back on the way out, as if the air between them had a skin.',
    posture: posture({ kneeBendDeg: 15, shoulderRaiseDeg: 50, elbowBendDeg: 70 }),
    phases: [],
    defaultDose: breathe(12, pattern(4, 0, 5, 0)),
    checkpoints: [...calm, ...checkpoints('elbows-low', 'hands-layered')],
    easier: ['Hands at belly height', 'Seated'],
    harder: ['Slower', 'Eighteen breaths'],
    cautions: [stopCaution],
  }),
  builtIn({
    id: 'rise-and-sink',
    name: 'Rise and sink',
    family: 'breathing',
    summary:
      'The whole body rises a little with the breath in, wrists floating to shoulder height, and sinks with the breath out. The movement takes as long as the breath, neither waits for the other.',
    posture: posture({ kneeBendDeg: 25, shoulderRaiseDeg: 45, elbowBendDeg: 20 }),
    phases: [],
    defaultDose: breathe(9, pattern(5, 0, 6, 0)),
    checkpoints: [...calm, ...checkpoints('knees-track', 'elbows-low')],
    easier: ['Arms only', 'Quicker'],
    harder: ['Deeper sinking', 'Each breath a little slower'],
    cautions: [stopCaution],
  }),
  builtIn({
    id: 'four-part-breath',
    name: 'Four-part breath',
    family: 'breathing',
    summary:
      'In, a pause, out, a pause. The pauses are rests with an open throat, not a lid that is pressed shut. Leave the pauses out whenever they become work.',
    posture: seated,
    phases: [],
    defaultDose: breathe(8, pattern(4, 2, 6, 2)),
    checkpoints: calm,
    easier: ['No pauses', 'Shorter parts'],
    harder: ['Longer on the way out', 'Each round slower'],
    cautions: [breathCaution, stopCaution],
  }),
  builtIn({
    id: 'slowing-breath',
    name: 'Slowing breath',
    family: 'breathing',
    summary:
      'Twelve breaths, each a little longer than the last. The breath may stop slowing at any round: the last comfortable one is the measure for next time.',
    posture: seated,
    phases: [],
    defaultDose: breathe(12, pattern(4, 0, 6, 0), 1.04),
    checkpoints: calm,
    easier: ['Even breaths', 'Six rounds'],
    harder: ['Start slower', 'Slow down more from round to round'],
    cautions: [breathCaution, stopCaution],
  }),
];
