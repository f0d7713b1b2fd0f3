import { checkpoints } from '../alignment/checkpoints';
import type { ArmShape } from './shape';
import type { Keyframe } from './keyframe';
import {
  arm,
  bothArms,
  bothHands,
  builtIn,
  cycle,
  eachSide,
  hand,
  handsOn,
  head,
  hold,
  phase,
  point,
  posture,
  shape,
  stage,
  stopCaution,
  through,
  together,
  trunk,
} from './describe';

const loose = checkpoints('feet-flat', 'knees-track', 'shoulders-hang', 'breath-free');
const stops = ['It is unpleasant.', 'You turn dizzy.'];

/** Up and down from soft knees; the loose hands are a little late. */
const shaken = (bendDeg: number, wristBendDeg: number, shoulderUp: number): Partial<Keyframe> => ({
  bendDeg,
  shape: bothArms({ wristBendDeg, shoulderUp, closed: 0.2 }),
});

const down = { leanDeg: 62, roundDeg: 45 } as const;
/** Bowed so far that the hands come to the shins, and half way. */
const bowed = trunk(down);
const halfBowed = trunk({ leanDeg: 35, roundDeg: 30 });
const along = head({ nodDeg: -15 });

/** One arm held out in front, the palm up or down. */
const heldOut = hand(0.42, 0.98, 0.72);

/** A hand wipes or taps along the arm that is held out; which of the two works. */
function alongArm(
  places: readonly NonNullable<ArmShape['on']>[],
  works: 'arm' | 'otherArm',
  palm: Keyframe['palm'],
): Partial<Keyframe>[] {
  const out = works === 'arm' ? ({ otherHand: heldOut, otherPalm: palm } as const) : ({ hand: heldOut, palm } as const);
  return places.map((on) => ({ ...out, shape: shape({ [works]: arm({ on, closed: 0.1 }) }) }));
}
const outside = ['other shoulder', 'other elbow, outside', 'other wrist, outside'] as const;
const inside = ['other fingers, inside', 'other wrist, inside', 'other elbow, inside', 'other shoulder'] as const;
const insideDown = ['other shoulder', 'other elbow, inside', 'other wrist, inside', 'other fingers, inside'] as const;

/** Both hands down the outside of the legs and up the inside. */
const downTheLegs: readonly Partial<Keyframe>[] = [
  { shape: handsOn('outer thigh', { trunk: halfBowed }) },
  { bendDeg: 30, shape: handsOn('outer shin', { trunk: bowed, head: along }) },
  { bendDeg: 30, shape: handsOn('inner shin', { trunk: bowed, head: along }) },
  { shape: handsOn('inner thigh', { trunk: halfBowed }) },
];

export const closing = [
  builtIn({
    id: 'shake-out',
    movements: ['bounces'],
    name: 'Shake out',
    family: 'closing',
    summary:
      'Bounce softly from the knees and let everything that is loose hang and jiggle: hands, shoulders, cheeks, belly. After anything that was hard.',
    posture: posture({ kneeBendDeg: 15 }),
    wayIn: ['Stand {width}.', 'Bounce from the knees, heels on the floor.', 'Let it go up: belly, shoulders, cheeks.'],
    phases: [
      phase('The knees give', 0.5, 'free', shaken(24, 18, -0.3)),
      phase('The knees come up', 0.5, 'free', shaken(11, -12, 0.5)),
    ],
    swaySeconds: 0.7,
    attention: ['hands', 'shoulders', 'belly', 'jaw and cheeks'],
    stages: [
      stage('Hands only', 'Shake them off.', 'The hands are warm.', { size: 0.3 }),
      stage('From the knees', 'All of it.'),
    ],
    signs: {
      begin: ['The hard part is over.'],
      right: ['The cheeks jiggle.'],
      enough: ['A sigh comes.'],
      stop: stops,
    },
    quick: 'Three breaths.',
    long: 'Five minutes.',
    defaultDose: hold(60, together(1)),
    checkpoints: [
      point(
        'shake-from-knees',
        'knees',
        'The bounce comes from soft knees.',
        'The heels stay down.',
        'Jumping; stiff knees.',
        'Shake from soft knees, heels down, as on a slow cart.',
      ),
      point(
        'shake-cheeks',
        'tongue and face',
        'Cheeks and jaw jiggle.',
        'Hum: the tone shakes.',
        'Clenched jaw.',
        'Let the face come last and loosest.',
      ),
      point(
        'shake-low-back',
        'low back',
        'The low back is let go.',
        'A hand on it feels it quiver.',
        'Held hollow.',
        'Shake the pockets empty.',
      ),
      ...loose,
    ],
    easier: ['Hands only', 'Seated'],
    harder: ['Longer'],
    cautions: ['No bouncing with weak bones, or a joint that was replaced: shake the hands only.', stopCaution],
  }),
  builtIn({
    id: 'tapping',
    movements: ['works the belly'],
    name: 'Tapping down the body',
    family: 'closing',
    summary:
      'Loose fists or flat hands tap in order: chest, arms outside and inside, low back, legs down and up. As hard as is comfortable and no harder.',
    posture: posture({ kneeBendDeg: 15, shoulderRaiseDeg: 30, elbowBendDeg: 80 }),
    wayIn: ['Stand {width}.', 'Make the hands loose.', 'Begin at the chest.'],
    phases: [
      through(
        phase('Chest, with flat hands', 0.15, 'free', bothHands(hand(0.2, 0.7, 0.8), 'back')),
        ...[0, 1].flatMap(() => [{ shape: handsOn('chest') }, bothHands(hand(0.2, 0.6, 0.8), 'back')]),
        { shape: handsOn('chest') },
      ),
      through(
        phase(
          'Down the outside of one arm, up the inside; the other arm',
          0.3,
          'free',
          bothHands(hand(0.45, 0.7, 0.5)),
        ),
        ...alongArm(outside, 'otherArm', 'down'),
        ...alongArm(inside, 'otherArm', 'up'),
        ...alongArm(outside, 'arm', 'down'),
        ...alongArm(inside, 'arm', 'up'),
      ),
      through(
        phase('Low back and seat, with loose fists', 0.2, 'free', bothHands(hand(0.9, -0.1, 0.1))),
        ...[0, 1].flatMap(() => [
          { shape: bothArms({ on: 'low back', laid: 'back', closed: 0.85 }) },
          { shape: bothArms({ on: 'seat', laid: 'back', closed: 0.85 }) },
        ]),
      ),
      through(phase('Down the outside of the legs, up the inside', 0.35, 'free', {}), ...downTheLegs),
    ],
    calls: ['Chest', 'Arms', 'Low back', 'Legs'],
    stages: [stage('Flat hands', 'Soft.'), stage('Loose fists', 'As firm as is pleasant.')],
    signs: {
      begin: ['The hands are loose.'],
      right: ['The skin grows warm.'],
      enough: ['You have been everywhere once.'],
      stop: stops,
    },
    quick: 'Once through.',
    long: 'Three times through.',
    defaultDose: cycle(40, together(3)),
    inParts: { 'tap-order': [0] },
    checkpoints: [
      point(
        'tap-loose',
        'wrists',
        'The wrists are loose.',
        'The hand bounces off.',
        'Beating.',
        'Beat dust from a carpet you like.',
      ),
      point(
        'tap-order',
        'hands',
        'In order, nothing left out.',
        'Say where you are.',
        'The backs of the legs forgotten.',
        'Walk once round your own house.',
      ),
      point(
        'tap-even',
        'torso',
        'Left and right alike.',
        'Count the strokes on one arm, then the other.',
        'The handier side gets more.',
        'Give both sides the same.',
      ),
      ...checkpoints('breath-free'),
    ],
    easier: ['Stroke instead of tapping', 'Seated'],
    harder: ['Firmer, if it is pleasant'],
    cautions: [
      'Only as strong as is comfortable; not on sore places, in pregnancy not on the belly and low back.',
      stopCaution,
    ],
  }),
  builtIn({
    id: 'rub-down',
    name: 'Rub along the inner arms',
    family: 'closing',
    summary: 'One palm sweeps along the inside of the other arm from the shoulder to the fingers. Three passes a side.',
    posture: posture({ kneeBendDeg: 5, shoulderRaiseDeg: 40 }),
    wayIn: [
      'Rub the palms warm.',
      'Hold the {working} arm out, palm up.',
      'Lay the {other} palm on the {working} shoulder.',
    ],
    phases: [
      through(
        phase('Sweep down the inside of the {working} arm to the fingertips', 0.6, 'out', {
          hand: heldOut,
          palm: 'up',
          shape: shape({ otherArm: arm({ on: 'other fingers, inside' }) }),
        }),
        ...alongArm(['other elbow, inside', 'other wrist, inside'], 'otherArm', 'up'),
      ),
      through(
        phase('Come back to the shoulder without touching', 0.4, 'in', {
          hand: heldOut,
          palm: 'up',
          shape: shape({ otherArm: arm({ on: 'other shoulder' }) }),
        }),
        { otherHand: hand(-0.35, 1.0, 1.05), otherPalm: 'down', shape: shape({}) },
      ),
    ],
    calls: ['Down the arm', 'Back'],
    stages: [stage('Three passes', 'A side.'), stage('Then the outside', 'Three more, upwards.')],
    signs: {
      begin: ['The palms are warm.'],
      right: ['The arm feels longer.'],
      enough: ['Three passes are done.'],
      stop: stops,
    },
    quick: 'One pass a side.',
    long: 'Inside and outside, three each.',
    defaultDose: cycle(5, eachSide(3)),
    inParts: { 'rub-to-the-tips': [0], 'rub-breath': [0] },
    checkpoints: [
      point(
        'rub-whole-palm',
        'hands',
        'The whole palm touches.',
        'It is warm all along.',
        'Fingertips only.',
        'Rub with the whole palm, as if you smoothed a sleeve.',
      ),
      point(
        'rub-to-the-tips',
        'wrists',
        'Down to the fingertips and off.',
        'The last finger is passed.',
        'Stopping at the wrist: not far enough.',
        'Stroke water off the hand.',
      ),
      point('rub-breath', 'breath', 'Out as you sweep.', 'You can hear it.', 'Held.', 'Sigh down the arm.'),
      ...checkpoints('shoulders-hang', 'breath-free'),
    ],
    easier: ['Seated'],
    harder: ['Slower'],
    cautions: ['Leave out broken or sore skin.'],
  }),
  builtIn({
    id: 'face-to-feet',
    name: 'Rubbing from face to ankles',
    family: 'closing',
    summary:
      'Warm palms rub in order: face, ears, neck, inner arms three times, low back, outside of the legs, ankles. Seated or standing.',
    posture: posture({ seated: true, kneeBendDeg: 90 }),
    wayIn: [
      'Sit on the front half of a chair.',
      'Rub the palms until they are warm.',
      'Lay them over the eyes and wait a breath.',
    ],
    phases: [
      through(
        phase('Face: up the middle, down the sides', 0.15, 'free', { shape: handsOn('chin') }),
        { shape: handsOn('chin') },
        { shape: handsOn('eyes') },
        { shape: handsOn('brow') },
        { shape: handsOn('cheek') },
      ),
      through(
        phase('Ears and the back of the neck', 0.15, 'free', { shape: handsOn('ear') }),
        { shape: handsOn('ear') },
        { shape: handsOn('nape', { head: head({ nodDeg: 18 }) }) },
      ),
      through(
        phase('Inner arms, three passes each', 0.25, 'free', { shape: handsOn('thigh') }),
        ...[0, 1, 2].flatMap(() => alongArm(insideDown, 'otherArm', 'up')),
        ...[0, 1, 2].flatMap(() => alongArm(insideDown, 'arm', 'up')),
      ),
      through(
        phase('Low back, up and down', 0.2, 'free', { shape: handsOn('low back') }),
        ...[0, 1].flatMap(() => [
          { shape: handsOn('low back', { trunk: trunk({ leanDeg: 12 }) }) },
          { shape: handsOn('seat', { trunk: trunk({ leanDeg: 12 }) }) },
        ]),
      ),
      through(
        phase('Legs, outside down, inside up', 0.15, 'free', { shape: handsOn('knee') }),
        { shape: handsOn('outer thigh', { trunk: trunk({ leanDeg: 20 }) }) },
        { shape: handsOn('outer shin', { trunk: trunk({ leanDeg: 52, roundDeg: 30 }), head: along }) },
        { shape: handsOn('inner shin', { trunk: trunk({ leanDeg: 52, roundDeg: 30 }), head: along }) },
        { shape: handsOn('inner thigh', { trunk: trunk({ leanDeg: 20 }) }) },
      ),
      through(
        phase('Ankles, all round', 0.1, 'free', { shape: handsOn('thigh') }),
        { shape: handsOn('outer shin', { trunk: trunk({ leanDeg: 60, roundDeg: 40 }), head: along }) },
        { shape: handsOn('ankle', { trunk: trunk({ leanDeg: 64, roundDeg: 44 }), head: along }) },
        { shape: handsOn('inner shin', { trunk: trunk({ leanDeg: 60, roundDeg: 40 }), head: along }) },
      ),
    ],
    calls: ['Face', 'Ears', 'Arms', 'Low back', 'Legs', 'Ankles'],
    stages: [stage('Hands and face', 'The beginning alone.'), stage('All of it', 'In order to the ankles.')],
    signs: {
      begin: ['The palms are warm.'],
      right: ['The skin glows.'],
      enough: ['The ankles are done.'],
      stop: stops,
    },
    quick: 'Face, arms, low back.',
    long: 'Twice through, slowly.',
    defaultDose: cycle(90, together(1)),
    inParts: { 'face-soft': [0], 'face-order': [1], 'face-shoulders': [2] },
    checkpoints: [
      point(
        'face-order',
        'hands',
        'From above downwards, nothing left out.',
        'Say where you are.',
        'The ankles forgotten.',
        'Close up the house from the attic down.',
      ),
      point(
        'face-soft',
        'tongue and face',
        'The face is let go under the hands.',
        'The lips part.',
        'Squeezed eyes.',
        'Iron a silk cloth.',
      ),
      point(
        'face-shoulders',
        'shoulders',
        'The shoulders hang while the hands rub.',
        'You could drop the hands at any time.',
        'Shrugged.',
        'The hands work, the shoulders are on holiday.',
      ),
      ...checkpoints('low-back-long', 'breath-free'),
    ],
    easier: ['Only what can be reached'],
    harder: ['Standing'],
    cautions: ['Leave out broken or sore skin; soft around the eyes.', stopCaution],
  }),
  builtIn({
    id: 'hip-stretch',
    movements: ['crosses a leg', 'leans while seated'],
    name: 'Seated hip stretch',
    family: 'closing',
    summary:
      'On the front edge of a chair, one ankle on the other knee, lean forward from the hip crease until it pulls gently, and stay.',
    posture: posture({
      seated: true,
      kneeBendDeg: 90,
      trunkPitchDeg: 25,
      shape: shape({
        footOnKnee: true,
        arm: arm({ on: 'knee' }),
        otherArm: arm({ on: 'thigh' }),
        head: head({ nodDeg: -10 }),
      }),
    }),
    wayIn: [
      'Sit on the front edge of a chair.',
      'Lay the {working} ankle on the {other} knee.',
      'Lean forward from the crease with a long back, until it pulls gently.',
    ],
    phases: [],
    stages: [stage('Upright', 'Only the ankle on the knee.'), stage('Leaning', 'A little, with a long back.')],
    signs: {
      begin: ['The hips are warm.'],
      right: ['It pulls in the seat, not in the knee.'],
      enough: ['The pull has let go.'],
      stop: ['It pulls in the knee.'],
    },
    quick: 'Three breaths a side.',
    long: 'Twice a side.',
    defaultDose: hold(40, eachSide(1), 10),
    checkpoints: [
      point(
        'hip-both-bones',
        'pelvis',
        'Both seat bones stay down.',
        'Neither gets lighter.',
        'Rolling to one side.',
        'Sit on both seat bones alike.',
      ),
      point(
        'hip-not-knee',
        'knees',
        'Nothing pulls in the knee.',
        'Flex the upper foot: the knee is quiet.',
        'Pressing the knee down.',
        'The hip opens, the knee only rests.',
        true,
      ),
      point(
        'hip-long-lean',
        'low back',
        'The lean comes from the crease.',
        'The breastbone goes forward, not down.',
        'Rounded back.',
        'Offer the heart, not the head.',
      ),
      ...checkpoints('hip-crease-folds', 'low-back-long', 'breath-free'),
    ],
    easier: ['Foot on the floor, knee out'],
    harder: ['Twice a side'],
    cautions: ['No pull in the knee itself: then take the foot down.', stopCaution],
  }),
  builtIn({
    id: 'gathering-home',
    name: 'Gathering home',
    family: 'closing',
    summary:
      'The hands rise at the sides, come down the front of the body and rest on the belly. Three times, then stand quietly for a few breaths.',
    posture: posture({ kneeBendDeg: 10, shoulderRaiseDeg: 60 }),
    wayIn: ['Stand {width}, arms hanging.', 'Turn the palms out.', 'Breathe out, and begin.'],
    phases: [
      through(
        phase('The hands rise at the sides, palms up', 0.5, 'in', bothHands(hand(0.7, 0.2, 1.7), 'up')),
        bothHands(hand(1.1, 0.35, 0.15), 'up'),
        bothHands(hand(1.65, 0.15, 0.95), 'up'),
      ),
      through(
        phase('They come down the front, palms down, to the belly', 0.5, 'out', {
          shape: shape({ arm: arm({ on: 'belly' }), otherArm: arm({ on: 'other hand' }) }),
        }),
        { ...bothHands(hand(0.25, 0.55, 1.35), 'down'), shape: null },
        { ...bothHands(hand(0.2, 0.65, 0.7), 'down'), shape: null },
      ),
    ],
    calls: ['In, rise', 'Out, down'],
    stages: [
      stage('To the chest', 'Hands only as high as the chest.', 'The hands come home with the breath.', { size: 0.5 }),
      stage('Whole', 'Up over the head and down.'),
    ],
    signs: {
      begin: ['The practice is done.'],
      right: ['It grows quiet.'],
      enough: ['You have done three.'],
      stop: stops,
    },
    quick: 'Once.',
    long: 'Three times, then stand for nine breaths.',
    daily: 'Before you leave the house: once down the front with the hands, breathing out.',
    defaultDose: cycle(12, together(3)),
    inParts: { 'gather-shoulders': [0], 'gather-home': [1] },
    checkpoints: [
      point(
        'gather-equal-time',
        'breath',
        'As long up as down.',
        'Count both.',
        'Hurrying down.',
        'Fetch and bring at the same pace.',
      ),
      point(
        'gather-shoulders',
        'shoulders',
        'The shoulders stay down as the hands rise.',
        'The neck stays long.',
        'Shrugged at the top.',
        'Lift the sky with the hands only.',
      ),
      point(
        'gather-home',
        'hands',
        'The hands end on the belly and stay.',
        'Wait three breaths.',
        'Walking off at once.',
        'Put it away and close the lid.',
      ),
      ...checkpoints('feet-flat', 'eyes-level', 'breath-free'),
    ],
    easier: ['Seated', 'Hands to the chest'],
    harder: ['Slower'],
    cautions: ['Arms above the head only as high as is comfortable.'],
  }),
];
