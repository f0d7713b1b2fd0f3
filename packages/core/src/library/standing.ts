import { checkpoints } from '../alignment/checkpoints';
import { balanceCaution, builtIn, eachSide, hold, kneeCaution, posture, stopCaution, together } from './describe';

const rooted = checkpoints('feet-flat', 'knees-track', 'pelvis-hangs', 'low-back-long', 'ribs-soft', 'shoulders-hang', 'crown-up', 'eyes-level', 'breath-free');

export const standing = [
  builtIn({
    id: 'neutral-stance',
    name: 'Neutral stance',
    family: 'standing',
    summary:
      'The stance everything else starts from, built from the floor up: feet parallel at shoulder width, knees unlocked, pelvis hanging, arms at the sides. Begin only when it is aligned and at ease: what is tight at the start stays tight.',
    posture: posture({ kneeBendDeg: 10 }),
    phases: [],
    defaultDose: hold(60, together(1)),
    checkpoints: rooted,
    easier: ['Lean the seat against a wall', 'Stand for three slow breaths only'],
    harder: ['Three minutes unbroken', 'Eyes closed once it is learned'],
    cautions: [stopCaution],
  }),
  builtIn({
    id: 'tree-holding',
    name: 'Holding the tree',
    family: 'standing',
    summary:
      'Arms round as if around a trunk, middle fingers at breastbone height and about a hand-breadth apart, elbows lower than the shoulders, no corners anywhere. The first goal is one unbroken minute.',
    posture: posture({ kneeBendDeg: 30, shoulderRaiseDeg: 45, elbowBendDeg: 45 }),
    phases: [],
    defaultDose: hold(60, together(1)),
    checkpoints: [...rooted, ...checkpoints('elbows-low', 'armpits-open', 'hands-layered')],
    easier: ['Hands at belly height', 'Knees nearly straight', 'Sit on the front edge of a chair'],
    harder: ['Longer, minute by minute', 'Lower, while the knees stay behind the toes', 'Most of the weight on one leg'],
    cautions: [kneeCaution, stopCaution],
  }),
  builtIn({
    id: 'low-lantern',
    name: 'Low lantern stand',
    family: 'standing',
    summary:
      'The round-armed stand with the hands in front of the belly, palms facing it. Light on the shoulders, so that the legs and the pelvis get the attention.',
    posture: posture({ kneeBendDeg: 25, shoulderRaiseDeg: 20, elbowBendDeg: 50 }),
    phases: [],
    defaultDose: hold(90, together(1)),
    checkpoints: [...rooted, ...checkpoints('armpits-open', 'hands-layered')],
    easier: ['Backs of the hands resting on the hip bones', 'Higher'],
    harder: ['Three minutes', 'Then round arms at the chest'],
    cautions: [kneeCaution, stopCaution],
  }),
  builtIn({
    id: 'wide-rider',
    name: 'Wide rider stand',
    family: 'standing',
    summary:
      'Feet at about one and a half shoulder widths, toes slightly out, sitting straight down between them. Depth comes last: width and upright torso first.',
    posture: posture({ kneeBendDeg: 45, stanceWidth: 1.6, shoulderRaiseDeg: 30, elbowBendDeg: 60 }),
    phases: [],
    defaultDose: hold(45, together(2), 45),
    checkpoints: rooted,
    easier: ['Narrower and higher', 'Hands on the thighs'],
    harder: ['Hold longer before lower', 'Arms at the chest'],
    cautions: [kneeCaution, stopCaution],
  }),
  builtIn({
    id: 'bow-stand',
    name: 'Bow stance hold',
    family: 'standing',
    summary:
      'One foot straight ahead, the rear foot turned out 45°, a shoulder-wide channel between the heels; about seven tenths of the weight on the front leg.',
    posture: posture({ kneeBendDeg: 40, weightShare: 0.7 }),
    phases: [],
    defaultDose: hold(40, eachSide(2), 20),
    checkpoints: checkpoints('feet-flat', 'knees-track', 'hip-crease-folds', 'low-back-long', 'torso-upright', 'crown-up', 'breath-free'),
    easier: ['Shorter step', 'Half the weight in front'],
    harder: ['Longer hold', 'Longer step, if it can still be taken back without a push'],
    cautions: [kneeCaution, stopCaution],
  }),
  builtIn({
    id: 'empty-full',
    name: 'Empty and full',
    family: 'standing',
    summary:
      'All the weight on one leg until the other is quite empty, then let the empty foot float. It lifts without a push, or the weight was not across yet.',
    posture: posture({ kneeBendDeg: 20, weightShare: 1, stanceWidth: 0.6 }),
    phases: [],
    defaultDose: hold(30, eachSide(1), 20),
    checkpoints: checkpoints('feet-flat', 'ankles-soft', 'knees-track', 'hip-crease-folds', 'torso-upright', 'eyes-level', 'breath-free'),
    easier: ['A hand on the chair', 'Toes of the empty foot stay down'],
    harder: ['Sixty seconds a side', 'Arms round at the chest', 'Without the chair beside'],
    cautions: [balanceCaution, kneeCaution],
  }),
];
