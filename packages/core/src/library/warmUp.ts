import { checkpoints } from '../alignment/checkpoints';
import type { Hand, Keyframe } from './keyframe';
import {
  backCaution,
  bothArms,
  balanceCaution,
  bothHands,
  bothWays,
  builtIn,
  cycle,
  eachSide,
  enoughFrom,
  hand,
  handsOn,
  head,
  hold,
  kneeCaution,
  phase,
  point,
  posture,
  shape,
  stage,
  stopCaution,
  timed,
  through,
  together,
  trunk,
} from './describe';

const loose = checkpoints('feet-flat', 'knees-track', 'low-back-long', 'shoulders-hang', 'breath-free');
const stops = ['It catches or hurts in a joint.', 'You turn dizzy.'];
const atEase = 'Stand {width}, knees unlocked, arms hanging.';

/** The heel of a foot in the air draws a circle over its ball; the other leg carries. */
const ankleCircle = (foot: 'working' | 'other'): Partial<Keyframe>[] =>
  [
    { toes: 0, up: 0.35 },
    { toes: 14, up: 0.6 },
    { toes: 0, up: 0.9 },
    { toes: -14, up: 0.6 },
    { toes: 0, up: 0.35 },
  ].map(({ toes, up }) => ({
    weight: foot === 'working' ? 0.25 : 0.75,
    heel: foot,
    ...(foot === 'working' ? { toesOutDeg: toes } : { otherToesOutDeg: toes }),
    shape: shape({ heelUp: up }),
  }));

/** Hands on the knees, which draw a small level circle. */
const kneeCircle: readonly Partial<Keyframe>[] = [
  { bendDeg: 30, kneesAsideDeg: 0 },
  { bendDeg: 34, kneesAsideDeg: 0 },
  { bendDeg: 27, kneesAsideDeg: 16 },
  { bendDeg: 20, kneesAsideDeg: 0 },
  { bendDeg: 27, kneesAsideDeg: -16 },
  { bendDeg: 34, kneesAsideDeg: 0 },
].map(({ bendDeg, kneesAsideDeg }) => ({
  bendDeg,
  shape: handsOn('knee', { trunk: trunk({ leanDeg: 36, roundDeg: 32 }), kneesAsideDeg }),
}));

/** The pelvis goes round below a head that stays: to the working side, back, to the other side, forward. */
const hipCircle: readonly Partial<Keyframe>[] = [
  { weight: 0.5, pressurePoint: 0.62, leanDeg: -5, asideDeg: 0 },
  { weight: 0.66, pressurePoint: 0.5, leanDeg: 0, asideDeg: -12 },
  { weight: 0.5, pressurePoint: 0.32, leanDeg: 12, asideDeg: 0 },
  { weight: 0.34, pressurePoint: 0.5, leanDeg: 0, asideDeg: 12 },
  { weight: 0.5, pressurePoint: 0.62, leanDeg: -5, asideDeg: 0 },
].map(({ weight, pressurePoint, leanDeg, asideDeg }) => ({
  weight,
  shape: handsOn('hip', { pressurePoint, trunk: trunk({ leanDeg, asideDeg }) }),
}));

/** A way gone so many times; one that ends where it begins does not stop there. */
const times = <T>(count: number, way: readonly T[], closes = true): T[] => {
  const [round, last] = closes ? [way.slice(0, -1), way.slice(-1)] : [way, []];
  return [...Array.from({ length: count }, () => round).flat(), ...last];
};

/** Both shoulders up, back, down and forward. */
const shoulderCircle: readonly Partial<Keyframe>[] = [
  bothArms({ shoulderUp: 1, shoulderForward: 0.2 }),
  bothArms({ shoulderUp: 0.2, shoulderForward: -1 }),
  bothArms({ shoulderUp: -1 }),
  bothArms({ shoulderUp: -0.1, shoulderForward: 0.8 }),
].map((both) => ({ shape: both }));

/** Loose hands go round about their wrists: down, to the thumb, up, to the little finger. */
const wristCircle = (place: Hand): Partial<Keyframe>[] =>
  [
    { wristBendDeg: 45, wristAsideDeg: 0 },
    { wristBendDeg: 0, wristAsideDeg: 22 },
    { wristBendDeg: -35, wristAsideDeg: 0 },
    { wristBendDeg: 0, wristAsideDeg: -30 },
    { wristBendDeg: 45, wristAsideDeg: 0 },
  ].map((wrists) => ({
    ...bothHands(place, 'down'),
    shape: bothArms({ ...wrists, closed: 0.25 }),
  }));

/** The head from ear to ear over the front: never tipped back. */
const halfCircle: readonly Partial<Keyframe>[] = [
  head({ tiltDeg: 28, nodDeg: 8 }),
  head({ tiltDeg: 18, nodDeg: 28 }),
  head({ nodDeg: 36 }),
  head({ tiltDeg: -18, nodDeg: 28 }),
  head({ tiltDeg: -28, nodDeg: 8 }),
].map((place) => ({ shape: shape({ head: place }) }));

/** The spine hangs down bone by bone: chin, chest, belly, all of it. */
const hung = (leanDeg: number, roundDeg: number, nodDeg: number, bendDeg: number): Partial<Keyframe> => ({
  bendDeg,
  shape: shape({ trunk: trunk({ leanDeg, roundDeg }), head: head({ nodDeg }) }),
});

/** Palms pressed up overhead, fingers to each other; the eyes go to the backs of the hands. */
const pressedUp = (forward: number): Partial<Keyframe> => ({
  ...bothHands(hand(0.3, forward, 2.1), 'out'),
  shape: bothArms({ wristBendDeg: -75 }, { head: head({ nodDeg: -32 }) }),
});

export const warmUp = [
  builtIn({
    id: 'joint-circles',
    movements: ['circles the head'],
    name: 'Joint circles, ankles to neck',
    family: 'warm-up',
    summary:
      'Small circles of each joint from below upwards: ankles, knees, hips, waist, shoulders, elbows, wrists, and the neck in half circles only.',
    posture: posture({ kneeBendDeg: 10 }),
    wayIn: [
      atEase,
      'Begin below. Each joint has its turn; go {pace}.',
      'Small first, then as large as is comfortable.',
    ],
    phases: [
      through(
        phase('Ankles: circle on the toes of one foot, then the other', 0.14, 'free', {}, 'Ankles the other way'),
        ...times(2, ankleCircle('working')),
        {},
        ...times(2, ankleCircle('other')),
      ),
      through(
        phase('Knees: hands on them, small and level', 0.12, 'free', {}, 'Knees the other way'),
        ...times(3, kneeCircle),
      ),
      through(
        phase('Hips: a level circle, head quiet', 0.13, 'free', {}, 'Hips the other way'),
        ...times(3, hipCircle),
      ),
      through(
        phase('Waist: turn from side to side', 0.12, 'free', {}, 'Waist, beginning on the other side'),
        ...times(3, [{ turnDeg: 35 }, { turnDeg: -35 }], false),
      ),
      through(
        phase('Shoulders: up, back, down, forward', 0.13, 'free', {}, 'Shoulders forward, down, back, up'),
        ...times(3, shoulderCircle, false),
      ),
      through(
        phase('Elbows: forearms circle in front', 0.12, 'free', {}, 'Elbows the other way'),
        ...times(3, [
          hand(0.15, 0.75, 0.6),
          hand(0.4, 0.7, 0.85),
          hand(0.65, 0.7, 0.6),
          hand(0.4, 0.75, 0.35),
          hand(0.15, 0.75, 0.6),
        ]).map((place) => bothHands(place)),
      ),
      through(
        phase('Wrists: loose hands circle', 0.12, 'free', {}, 'Wrists the other way'),
        ...times(3, wristCircle(hand(0.45, 0.8, 0.6))),
      ),
      through(
        phase(
          'Neck: half a circle in front, ear to ear',
          0.12,
          'free',
          {},
          'Neck: half a circle in front, the other way',
        ),
        ...[...halfCircle, ...halfCircle.toReversed().slice(1), ...halfCircle.slice(1)],
      ),
    ],
    calls: ['Ankles', 'Knees', 'Hips', 'Waist', 'Shoulders', 'Elbows', 'Wrists', 'Neck'],
    stages: [
      stage('Each by itself', 'Three or four each way.'),
      stage('In one chain', 'Without a stop from the ankles to the neck.'),
    ],
    signs: {
      begin: ['You stand quietly and the breath is free.'],
      right: ['Each joint feels oiled.'],
      enough: ['It has become warm.'],
      stop: stops,
    },
    quick: 'Ankles, hips, shoulders: three each way.',
    long: 'Eight each way.',
    daily: 'After a long drive: ankles, hips and shoulders, three circles each way.',
    defaultDose: enoughFrom(1, cycle(80, bothWays(1))),
    inParts: { 'circles-knees-level': [1], 'circles-neck-front': [7], 'circles-order': [0] },
    checkpoints: [
      point(
        'circles-knees-level',
        'knees',
        'Knee circles stay small and level.',
        'The hands on the knees feel no twist.',
        'Large circles on bent knees.',
        'Circle the knees small and level, as if each polished a coin.',
        true,
      ),
      point(
        'circles-neck-front',
        'neck and head',
        'The neck goes ear to ear in front only.',
        'The chin never leaves the front half.',
        'Head rolled back.',
        'Let the chin draw a smile.',
        true,
      ),
      point(
        'circles-order',
        'torso',
        'From below upwards, one joint after the other.',
        'Say which joint is next.',
        'A joint left out.',
        'Climb a ladder of joints.',
      ),
      ...checkpoints('feet-flat', 'low-back-long', 'breath-free'),
    ],
    easier: ['Seated', 'Three each way'],
    harder: ['Larger circles'],
    cautions: ['Neck: half circles in front only, never tipped back.', kneeCaution, stopCaution],
  }),
  builtIn({
    id: 'shoulder-wrist-loosening',
    name: 'Shoulders and wrists, loosened',
    family: 'warm-up',
    summary: 'Roll the shoulders back, then let the wrists circle, then shake the fingers out. Each way alike.',
    posture: posture({ kneeBendDeg: 10 }),
    wayIn: [atEase, 'Let the arms hang as two ropes.', 'Let the neck be long.'],
    phases: [
      through(
        phase('Roll the shoulders up, back and down', 0.4, 'free', {}, 'Roll the shoulders back, up and forward'),
        ...shoulderCircle,
      ),
      through(
        phase('Circle the loose wrists outward', 0.4, 'free', {}, 'Circle the loose wrists inward'),
        ...wristCircle(hand(0.6, 0.55, 0.3)),
      ),
      through(
        phase('Shake the fingers out', 0.2, 'free', {}, 'Shake the fingers out'),
        ...[35, -25, 35, -25, 35, -25].map((wristBendDeg) => ({
          ...bothHands(hand(0.6, 0.4, 0.12)),
          shape: bothArms({ wristBendDeg, closed: wristBendDeg > 0 ? 0.35 : 0 }),
        })),
      ),
    ],
    calls: ['Shoulders', 'Wrists', 'Fingers'],
    stages: [
      stage('One after the other', 'Shoulders, wrists, fingers.'),
      stage('Together', 'All three at once, softly.'),
    ],
    signs: {
      begin: ['The arms hang.'],
      right: ['The hands grow warm.'],
      enough: ['They are warm.'],
      stop: stops,
    },
    quick: 'Three each way.',
    long: 'Eight each way.',
    defaultDose: enoughFrom(3, cycle(8, bothWays(4))),
    inParts: { 'loosen-round': [0], 'loosen-soft-wrist': [1] },
    checkpoints: [
      point(
        'loosen-hang',
        'elbows',
        'The arms hang from the shoulders.',
        'The hands are moved, they do nothing.',
        'Bent elbows.',
        'Let the arms hang like two wet towels.',
      ),
      point(
        'loosen-round',
        'shoulders',
        'The shoulder goes all the way round.',
        'Up, back, down and forward can each be felt.',
        'Only up and down.',
        'Draw a wheel on the wall beside you.',
      ),
      point(
        'loosen-soft-wrist',
        'wrists',
        'The wrist is soft all the way round.',
        'The fingers trail.',
        'Fists.',
        'Stir warm water with the fingertips.',
      ),
      ...checkpoints('ribs-soft', 'crown-up', 'breath-free'),
    ],
    easier: ['Seated'],
    harder: ['Larger'],
    cautions: [stopCaution],
  }),
  builtIn({
    id: 'roll-down',
    movements: ['rolls the back'],
    name: 'Roll down and up',
    family: 'warm-up',
    summary:
      'Chin, chest, belly: let the spine hang down bone by bone, wait for a breath, and build it up again from below. Knees soft all the way.',
    posture: posture({ kneeBendDeg: 20, trunkPitchDeg: 45 }),
    wayIn: [atEase, 'Bend the knees a little more than you need.', 'Let the chin become heavy.'],
    phases: [
      through(
        phase('Breathe out: chin, chest, belly hang down', 0.35, 'out', hung(40, 80, 25, 28)),
        hung(0, 5, 35, 20),
        hung(4, 40, 35, 22),
        hung(18, 70, 30, 25),
      ),
      phase('Hang', 0.3, 'free', hung(40, 80, 25, 28), '', 1),
      through(
        phase('Build up from the pelvis, the head last', 0.35, 'in', hung(0, 0, 0, 20)),
        hung(18, 70, 30, 25),
        hung(4, 40, 35, 22),
        hung(0, 5, 35, 20),
      ),
    ],
    calls: ['Out and down', 'Hang', 'Up, the head last'],
    stages: [
      stage('To the chest', 'Chin and chest only.', 'The neck lets go of the head.', { size: 0.2 }),
      stage('Hands to the thighs', 'The hands slide down the legs and carry.', 'The back comes up bone by bone.', {
        size: 0.6,
      }),
      stage('All the way', 'As far as it hangs by itself.'),
    ],
    signs: {
      begin: ['The knees are soft.'],
      right: ['The back of the neck and the low back lengthen by their own weight.'],
      enough: ['You have done three.'],
      stop: ['The head feels full or the legs tingle.', ...stops],
    },
    quick: 'One.',
    long: 'Four, with three breaths below.',
    defaultDose: cycle(20, together(3)),
    inParts: { 'roll-knees-soft': [0], 'roll-bone-by-bone': [0, 2], 'roll-head-last': [2] },
    checkpoints: [
      point(
        'roll-knees-soft',
        'knees',
        'Both knees stay soft.',
        'You could bounce.',
        'Locked knees.',
        'Hang over a soft fence.',
        true,
      ),
      point(
        'roll-bone-by-bone',
        'low back',
        'Bone by bone, down and up.',
        'Stop anywhere.',
        'Folding like a board.',
        'Bone by bone, as if a string of beads were laid down.',
      ),
      point(
        'roll-head-last',
        'neck and head',
        'The head comes up last.',
        'The eyes see the knees, the belly, the wall, in turn.',
        'Lifting the head first.',
        'Let the head hang like a fruit on its stem; it comes up last.',
      ),
      ...checkpoints('feet-flat', 'breath-free'),
    ],
    easier: ['Seated', 'Hands on the thighs'],
    harder: ['Slower'],
    cautions: [
      'Not with high blood pressure, raised eye pressure or weak bones: stay upright and only lower the chin.',
      backCaution,
      stopCaution,
    ],
  }),
  builtIn({
    id: 'standing-fold',
    name: 'Wide standing fold',
    family: 'warm-up',
    summary:
      'Feet wide, fold from the hip creases with a long back, hands on the thighs or a chair, and stay for a few breaths.',
    posture: posture({
      kneeBendDeg: 12,
      trunkPitchDeg: 70,
      stanceWidth: 1.6,
      toesOutDeg: 10,
      shape: handsOn('knee', { head: head({}) }),
    }),
    wayIn: [
      'Stand wide, toes a little out, a chair in front of you.',
      'Unlock the knees.',
      'Fold at the hip creases; the back stays long.',
      'Lay the hands on the chair or the thighs.',
    ],
    phases: [],
    stages: [
      stage('Hands on a chair', 'The back level.'),
      stage('Hands on the shins', 'As far as the back stays long.'),
    ],
    signs: {
      begin: ['The hips are warm.'],
      right: ['It pulls softly behind the thighs.'],
      enough: ['Five breaths are done.'],
      stop: ['The head feels full.', ...stops],
    },
    quick: 'Three breaths.',
    long: 'Ten breaths, leaning to each leg in turn.',
    defaultDose: hold(30, together(1), 10),
    checkpoints: [
      point(
        'fold-from-crease',
        'hip crease',
        'The fold is at the hips.',
        'A finger in the crease is held.',
        'Rounding the back to get lower.',
        'Bow like a door on its hinge.',
      ),
      point(
        'fold-long-back',
        'low back',
        'The back is long.',
        'A staff along it touches seat, back and head.',
        'Hump in the middle.',
        'Reach the crown away from the seat.',
        true,
      ),
      point(
        'fold-soft-knees',
        'knees',
        'Knees soft, over the toes.',
        'You could bounce.',
        'Locked; falling in.',
        'Let the knees breathe.',
        true,
      ),
      ...checkpoints('feet-flat', 'breath-free'),
    ],
    easier: ['Hands on a table', 'Knees more bent'],
    harder: ['Longer'],
    cautions: [
      'Head below the heart: not with high blood pressure, heart or eye-pressure conditions, or weak bones.',
      backCaution,
      stopCaution,
    ],
  }),
  builtIn({
    id: 'arm-swings',
    name: 'Twisting arm swings',
    family: 'warm-up',
    summary: '{Turner} turns from side to side and the empty arms slap along. The knees stay quiet.',
    posture: posture({ kneeBendDeg: 15 }),
    wayIn: [atEase, 'Let the arms be two empty sleeves.', 'Start the turn low down and go {pace}.'],
    phases: [
      phase('Turn left', 0.5, 'free', { turnDeg: -40, hand: hand(-0.3, 0.7, 0.35), otherHand: hand(0.75, -0.25, 0.3) }),
      phase('Turn right', 0.5, 'free', { turnDeg: 40, hand: hand(0.75, -0.25, 0.3), otherHand: hand(-0.3, 0.7, 0.35) }),
    ],
    calls: ['Left', 'Right'],
    stages: [
      stage('Without arms', 'Hands on the hips.', 'The turn comes from {turner}.', { moves: 'legs' }),
      stage('Arms low', 'They slap the hips.', 'The arms go along by themselves.'),
      stage('Brisk', 'Equal time a side, until warm.'),
    ],
    signs: {
      begin: ['The hip creases fold.'],
      right: ['The arms arrive late, by themselves.'],
      enough: ['You are warm.'],
      stop: stops,
    },
    quick: 'Twelve.',
    long: 'Three minutes.',
    daily: 'While you wait for somebody: let the arms swing for a minute.',
    defaultDose: enoughFrom(0, timed(72, 3, together(1))),
    checkpoints: [
      point(
        'swings-empty',
        'elbows',
        'The arms are empty.',
        'They wrap round by themselves.',
        'Thrown with the shoulders.',
        'Let the arms be swung like two bell ropes.',
      ),
      point(
        'swings-even',
        'waist',
        'As far left as right.',
        'The nose meets the same two marks.',
        'One side not far enough.',
        'Swing as far left as right, like a gate on a spring.',
      ),
      point(
        'swings-knees',
        'knees',
        'The knees stay quiet.',
        'Hands on the knees feel nothing.',
        'Knees screw with the turn.',
        'Turn above the legs.',
        true,
      ),
      ...loose,
      ...checkpoints('waist-leads'),
    ],
    easier: ['Smaller', 'Arms hanging'],
    harder: ['Weight shifts along'],
    cautions: [kneeCaution, backCaution],
  }),
  builtIn({
    id: 'whole-turn-swings',
    name: 'Whole-turn swings',
    family: 'warm-up',
    summary:
      'Nothing twists: the whole body turns as one over the feet, and the heel of the leg it leaves may lift and go along. For schools that spare the knees so.',
    posture: posture({ kneeBendDeg: 12 }),
    wayIn: [atEase, 'Let the weight come to the right leg.', 'The left heel is free to lift and turn.'],
    phases: [
      phase('The whole body turns left, and the right heel lifts and goes along', 0.5, 'free', {
        weight: 0.3,
        turnDeg: -50,
        heel: 'working',
        toesOutDeg: -30,
        hand: hand(-0.2, 0.7, 0.4),
        otherHand: hand(0.7, -0.2, 0.3),
      }),
      phase('The whole body turns right, and the left heel lifts and goes along', 0.5, 'free', {
        weight: 0.7,
        turnDeg: 50,
        heel: 'other',
        otherToesOutDeg: -30,
        hand: hand(0.7, -0.2, 0.3),
        otherHand: hand(-0.2, 0.7, 0.4),
      }),
    ],
    calls: ['Left', 'Right'],
    stages: [
      stage('Feet alone', 'Turn on the balls, heels free.', 'The heels lift by themselves.', { moves: 'legs' }),
      stage('With the arms', 'The arms follow.'),
    ],
    signs: {
      begin: ['The heels turn without sticking.'],
      right: ['Nose, belly and knees point the same way.'],
      enough: ['You are warm.'],
      stop: stops,
    },
    quick: 'Twelve.',
    long: 'Three minutes.',
    defaultDose: enoughFrom(0, timed(72, 3, together(1))),
    checkpoints: [
      point(
        'whole-as-one',
        'torso',
        'Nose, belly and knee turn as one.',
        'Freeze: they point the same way.',
        'The chest runs ahead.',
        'Turn nose, belly and knee as one, like a weathercock.',
      ),
      point(
        'whole-heel-free',
        'ankles',
        'The heel of the empty leg is free.',
        'It could be lifted higher.',
        'Heel stuck, knee twisted.',
        'Put out a small fire with the ball of the foot.',
        true,
      ),
      point(
        'whole-even',
        'waist',
        'As far left as right.',
        'The nose meets two marks.',
        'One side not far enough.',
        'Swing as far left as right, like a gate on a spring.',
      ),
      ...checkpoints('low-back-long', 'shoulders-hang', 'breath-free'),
    ],
    easier: ['Smaller'],
    harder: ['Brisker'],
    cautions: [balanceCaution, stopCaution],
  }),
  builtIn({
    id: 'overhead-stretch',
    movements: ['tips the head back'],
    name: 'Reaching up with both hands',
    family: 'warm-up',
    summary:
      'Scoop from below, turn the palms at the chest, press up and look up, and stay for three slow breaths. Only as strong as is comfortable.',
    posture: posture({ kneeBendDeg: 0, shoulderRaiseDeg: 170 }),
    wayIn: [
      atEase,
      'Let the hands hang in front, palms up, fingers towards each other.',
      'Feel the lowest ribs rest. They stay down while the arms go up; {arms}.',
    ],
    phases: [
      phase(
        'Scoop with both hands from below up to the chest, palms up',
        0.1,
        'in',
        bothHands(hand(0.2, 0.45, 0.75), 'up'),
      ),
      phase('Turn the palms at the chest, down and out', 0.05, 'free', bothHands(hand(0.25, 0.5, 0.85), 'forward')),
      phase('Press up and look up at the backs of the hands', 0.1, 'out', pressedUp(0.15)),
      phase('Stay at the top; each breath goes to the tightest place', 0.65, 'free', pressedUp(0.1), '', 3),
      through(phase('Come down by the sides', 0.1, 'free', bothHands(hand(0.5, 0.2, 0.1), 'in')), {
        ...bothHands(hand(1.5, 0.1, 1.1), 'down'),
        shape: shape({}),
      }),
    ],
    calls: ['Scoop', 'Turn', 'Press up', 'Stay, three breaths', 'Down'],
    stages: [
      stage('To the forehead', 'Hands at forehead height.', 'The shoulders stay low.', { size: 0.7 }),
      stage('Up and down', 'Touch the top and come down.', 'The arms come beside the ears.'),
      stage('Three breaths', 'Stay for three, counted.'),
      stage('On the toes', 'The heels rise as the palms press.'),
    ],
    signs: {
      begin: ['The shoulders are warm.'],
      right: ['The ribs spread with each breath.'],
      enough: ['The third breath is done.'],
      stop: stops,
    },
    quick: 'About a second at the top.',
    long: 'Longer, as the breath deepens.',
    daily: 'Reaching for a high shelf: the lowest ribs stay down.',
    defaultDose: enoughFrom(2, cycle(36, together(3))),
    inParts: { 'reach-turn-at-chest': [1], 'reach-ribs-down': [2], 'reach-three': [3] },
    checkpoints: [
      point(
        'reach-turn-at-chest',
        'hands',
        'The palms turn at the chest, not above the head.',
        'Watch in a mirror.',
        'Turning them overhead.',
        'Turn a jar upside down at the heart.',
      ),
      point(
        'reach-ribs-down',
        'ribs',
        'The lowest ribs do not flare.',
        'One hand on them feels them stay.',
        'Hollow back to get higher.',
        'Reach from the shoulder blades.',
      ),
      point(
        'reach-three',
        'breath',
        'Three breaths at the top, counted.',
        'Count aloud on the way out.',
        'Held breath; two and a half.',
        'Breathe a little further into it each time.',
      ),
      ...checkpoints('feet-flat', 'low-back-long', 'breath-free'),
    ],
    easier: ['Hands at forehead height', 'Touch the top and come down'],
    harder: ['A breath longer at the top'],
    cautions: ['Overhead work only as strong as is comfortable.', stopCaution],
  }),
  builtIn({
    id: 'leg-swings',
    movements: ['swings a leg'],
    prerequisites: ['empty-full'],
    name: 'Easy leg swings',
    family: 'warm-up',
    summary: 'Beside a chair, one leg swings loosely forward and back from the hip, the other stands quietly.',
    posture: posture({ kneeBendDeg: 5, weightShare: 1, stanceWidth: 0.5, otherLifted: true }),
    wayIn: [
      'Stand beside a chair, a hand on it.',
      'Let all the weight come to the {working} leg.',
      'Let the {other} leg hang from the hip.',
    ],
    phases: [
      phase('The {other} leg swings forward', 0.5, 'free', { weight: 1, ahead: -1.5, lifted: 'other' }),
      phase('The {other} leg swings back', 0.5, 'free', { weight: 1, ahead: 1.1, lifted: 'other' }),
    ],
    calls: ['Front', 'Back'],
    stages: [
      stage('Small', 'Both hands on the chair.', 'The trunk is quiet.', { size: 0.4 }),
      stage('Loose', 'As far as the trunk stays quiet.'),
    ],
    signs: {
      begin: ['The standing leg is sure.'],
      right: ['The leg swings by its own weight.'],
      enough: ['The hip feels loose and warm.'],
      stop: [...stops, 'The standing hip tires.'],
    },
    quick: 'Six a side.',
    long: 'Twenty a side.',
    defaultDose: cycle(2, eachSide(12)),
    checkpoints: [
      point(
        'leg-loose',
        'hip crease',
        'The leg hangs and swings from the crease.',
        'The foot trails.',
        'Kicked with the knee.',
        'Let the leg hang and swing like a bell clapper.',
      ),
      point(
        'leg-trunk-quiet',
        'low back',
        'The trunk does not rock along.',
        'A hand on the low back feels nothing.',
        'Hollow back on the way behind.',
        'Swing the leg under a quiet roof.',
      ),
      point(
        'leg-standing',
        'knees',
        'The standing knee is soft, over its toes.',
        'It could bounce.',
        'Locked; turning in.',
        'Stand on a springy plank.',
        true,
      ),
      ...checkpoints('torso-upright', 'breath-free'),
    ],
    easier: ['Small swings, both hands on the chair'],
    harder: ['Without the chair'],
    cautions: ['Keep the chair within reach.', stopCaution],
  }),
  builtIn({
    id: 'wall-hips',
    prerequisites: ['neutral-stance'],
    name: 'Hips at the wall',
    family: 'warm-up',
    summary:
      'A hand’s width from a wall, turn the pelvis so that one half of the seat touches, then the other. The wall tells whether the pelvis turns or the knees do.',
    posture: posture({
      kneeBendDeg: 20,
      trunkPitchDeg: 39,
      shape: handsOn('knee', { trunk: trunk({ roundDeg: 42 }) }),
    }),
    wayIn: [
      'Stand with the back to a wall, heels a hand’s width away.',
      'Bend the knees and lay the hands on them.',
      'Touch the wall with the whole seat, then leave it by a finger.',
    ],
    phases: [
      phase('Turn until the left half of the seat touches', 0.5, 'free', { turnDeg: -25 }),
      phase('Turn until the right half of the seat touches', 0.5, 'free', { turnDeg: 25 }),
    ],
    calls: ['Left', 'Right'],
    stages: [
      stage('Touch', 'Left, middle, right.', 'You feel which part of the seat touches.', { size: 0.6 }),
      stage('Stroke', 'The seat strokes the wall.'),
      stage('Free', 'A step away, the same turn.'),
    ],
    signs: {
      begin: ['The knees are warm.'],
      right: ['The hands on the knees feel nothing.'],
      enough: ['Both halves touch alike.'],
      stop: stops,
    },
    quick: 'Six.',
    long: 'Thirty-six.',
    defaultDose: cycle(4, together(12)),
    checkpoints: [
      point(
        'wall-seat',
        'pelvis',
        'One half of the seat touches, then the other.',
        'The wall tells.',
        'The back leans on the wall.',
        'Stamp the wall with two seals.',
      ),
      point(
        'wall-knees',
        'knees',
        'The knees do not move.',
        'The hands on them tell.',
        'Knees going left and right.',
        'Hold two eggs under the palms.',
        true,
      ),
      point(
        'wall-even',
        'hip crease',
        'Both creases fold equally far.',
        'Count how long each half touches.',
        'One side not far enough.',
        'Fold a letter both ways.',
      ),
      ...checkpoints('feet-flat', 'low-back-long', 'breath-free'),
    ],
    easier: ['Higher', 'In a doorway, hands on the frame'],
    harder: ['Lower', 'Without the wall'],
    cautions: [kneeCaution, stopCaution],
  }),
];
