import type { School } from './school';

/** What a question is about. */
export const schoolQuestionGroups = [
  'When it gets hard',
  'Stance',
  'Movement',
  'Eyes and attention',
  'Breath',
  'Counting and sides',
] as const;
export type SchoolQuestionGroup = (typeof schoolQuestionGroups)[number];

/** One question on which schools differ, and what each side of it means. Common practice, in our own words. */
export interface SchoolQuestion {
  readonly group: SchoolQuestionGroup;
  readonly key: keyof School;
  readonly question: string;
  readonly sides: readonly { readonly value: string; readonly label: string; readonly sentence: string }[];
}

const side = (value: string, label: string, sentence: string) => ({ value, label, sentence });

/** Every row on which schools differ, in the order in which a stance is built and a drill is run. */
export const schoolQuestions: readonly SchoolQuestion[] = [
  {
    group: 'When it gets hard',
    key: 'fatigueRule',
    question: 'When tired or shaking (pain always stops)',
    sides: [
      side('ease', 'Ease', 'Stop, loosen, start again; the total time still counts.'),
      side('endurance', 'Endure', 'Stay, breathe and go on while it only burns.'),
    ],
  },
  {
    group: 'When it gets hard',
    key: 'precision',
    question: 'Precision',
    sides: [
      side('loose', 'Loose', 'The shape serves health: near enough is good.'),
      side('strict', 'Strict', 'The line is exact, and any lost point of alignment counts.'),
    ],
  },
  {
    group: 'Stance',
    key: 'pressure',
    question: 'Pressure in the foot',
    sides: [
      side('whole sole', 'Whole sole', 'The weight lies evenly on the whole sole.'),
      side('centre', 'Centre', 'The weight gathers in the middle of the foot.'),
      side('ball', 'Ball', 'The weight lies over the ball of the foot, the heel stays down.'),
      side('heel', 'Heel', 'The weight sinks into the heel, the toes stay alive.'),
    ],
  },
  {
    group: 'Stance',
    key: 'toes',
    question: 'Toes in the neutral stance',
    sides: [
      side('parallel', 'Parallel', 'The feet are parallel.'),
      side('slightly out', 'Slightly out', 'The toes open about 15°.'),
      side('wide', 'Out 45°', 'The toes open 45°.'),
    ],
  },
  {
    group: 'Stance',
    key: 'width',
    question: 'Width of the plain stance',
    sides: [
      side('together', 'Heels together', 'The heels touch.'),
      side('fist', 'A fist', 'A fist fits between the heels.'),
      side('hip', 'Hips', 'The feet stand below the hip joints.'),
      side('shoulder', 'Shoulders', 'The feet stand below the shoulders.'),
      side('wider', 'Wider', 'The feet stand wider than the shoulders, to comfort.'),
    ],
  },
  {
    group: 'Stance',
    key: 'shins',
    question: 'Shins and knees',
    sides: [
      side('toe line', 'Up to the toe line', 'The knees may come forward as far as the toes.'),
      side(
        'plumb',
        'Nearly plumb',
        'The shins lean as little as balance lets them, less than 20°: one sits back rather than bends forward.',
      ),
      side('arched', 'Arched', 'The knees go a little outward, an arch from foot to foot.'),
    ],
  },
  {
    group: 'Stance',
    key: 'pelvis',
    question: 'Pelvis',
    sides: [
      side('hanging', 'Hanging', 'The pelvis hangs from the spine by its own weight.'),
      side('tucked', 'Tucked', 'The tailbone is drawn a little under.'),
      side('forward', 'Sent forward', 'The pelvis is sent a little forward over the balls of the feet.'),
    ],
  },
  {
    group: 'Stance',
    key: 'muscles',
    question: 'Muscles',
    sides: [
      side('let go', 'Let go', 'Every muscle that is not needed lets go.'),
      side('opened', 'Joints opened', 'The joints are gently drawn open, without strain.'),
    ],
  },
  {
    group: 'Movement',
    key: 'movedBy',
    question: 'What moves the body',
    sides: [
      side('waist', 'The waist leads', 'The turn begins in the waist and the feet answer.'),
      side('feet', 'The feet push', 'The movement begins with a push of the foot into the floor.'),
    ],
  },
  {
    group: 'Movement',
    key: 'fullShift',
    question: 'A full shift of weight',
    sides: [
      side('seven tenths', '70 / 30', 'Seven tenths go across, three stay.'),
      side('all', '100 / 0', 'All of it goes across; the other leg is empty.'),
    ],
  },
  {
    group: 'Movement',
    key: 'farEnds',
    question: 'Far ends of a shift in a long stance',
    sides: [
      side(
        'alike',
        'Both as a full shift',
        'As much goes back as a full shift takes; seven tenths at most go forward.',
      ),
      side(
        'all behind',
        '70 ahead, all behind',
        'Seven tenths ahead; at the end of the way back all of it is on the rear leg.',
      ),
    ],
  },
  {
    group: 'Movement',
    key: 'shiftTurn',
    question: 'Shift and turn',
    sides: [
      side('shift first', 'Shift, then turn', 'The weight crosses first, the turn comes after.'),
      side('together', 'Both together', 'Shift and turn go together and arrive together.'),
    ],
  },
  {
    group: 'Movement',
    key: 'turns',
    question: 'What turns',
    sides: [
      side('pelvis', 'The pelvis', 'The pelvis turns, from the hip creases.'),
      side('waist', 'The waist', 'The waist turns above hips that stay.'),
      side('whole', 'All as one', 'Nothing twists: the whole body turns as one.'),
    ],
  },
  {
    group: 'Movement',
    key: 'corners',
    question: 'What corners are called',
    sides: [
      side('by side', 'Right and left', 'One turns to the right or the left corner.'),
      side(
        'by compass',
        'By compass',
        'Ahead is north: the right corner is the north-east, the left one the north-west, wherever one stands.',
      ),
    ],
  },
  {
    group: 'Movement',
    key: 'risingHand',
    question: 'Hand and weight',
    sides: [
      side('loading', 'The loading side rises', 'The hand on the side that loads rises.'),
      side('emptying', 'The emptying side rises', 'The hand on the side that empties rises.'),
    ],
  },
  {
    group: 'Movement',
    key: 'rearHeel',
    question: 'Rear heel in a long stance',
    sides: [
      side('down', 'Stays down', 'The rear heel stays on the floor.'),
      side('may lift', 'May lift', 'The rear heel may come up as the weight arrives in front.'),
    ],
  },
  {
    group: 'Movement',
    key: 'arms',
    question: 'Arms that reach',
    sides: [
      side('bent', 'Keep their bend', 'The elbows keep their bend to the end.'),
      side('may straighten', 'May straighten', 'The arms may straighten at the end of the reach.'),
    ],
  },
  {
    group: 'Movement',
    key: 'legs',
    question: 'Legs',
    sides: [
      side('bent', 'Always bent', 'The knees are never quite straight.'),
      side('may straighten', 'May straighten', 'The legs may straighten at the top of an opening.'),
    ],
  },
  {
    group: 'Movement',
    key: 'height',
    question: 'Height while moving',
    sides: [
      side('level', 'Level', 'The head keeps its height.'),
      side('rising', 'Rise and sink', 'The body rises with the breath in and sinks with the breath out.'),
    ],
  },
  {
    group: 'Movement',
    key: 'rise',
    question: 'Order of a rise',
    sides: [
      side('wave', 'A wave', 'It rises from the inside out, one joint after the other.'),
      side('at once', 'All at once', 'Everything rises at the same time.'),
    ],
  },
  {
    group: 'Movement',
    key: 'pace',
    question: 'Pace of loosening',
    sides: [
      side('slow', 'Slow', 'Slowly, so that each joint is felt.'),
      side('brisk', 'Brisk', 'Briskly, until warm.'),
    ],
  },
  {
    group: 'Eyes and attention',
    key: 'eyes',
    question: 'Eyes',
    sides: [
      side('level', 'Level', 'The eyes rest level and soft.'),
      side('following', 'Follow the hand', 'The eyes go with the leading hand.'),
      side('ahead', 'Stay ahead', 'The eyes stay ahead while the body turns below them.'),
      side('up', 'Up, overhead', 'The eyes go up with the hands in overhead work; level elsewhere.'),
      side('closed', 'Closed', 'The eyes close once the exercise is known; open for anything on one leg.'),
    ],
  },
  {
    group: 'Eyes and attention',
    key: 'attention',
    question: 'Attention',
    sides: [
      side('inside', 'Inside', 'Attention rests in the belly, the palms or the feet.'),
      side('outside', 'Outside', 'Attention rests in the space between the hands or on something far off.'),
    ],
  },
  {
    group: 'Breath',
    key: 'breathLink',
    question: 'Breath and movement',
    sides: [
      side('natural', 'Natural', 'The breath goes its own way, unlinked.'),
      side('loose', 'Loose', 'The breath changes somewhere in the move.'),
      side('linked', 'Linked', 'Sink out, rise in; the movement is as long as the breath.'),
    ],
  },
  {
    group: 'Breath',
    key: 'belly',
    question: 'Belly',
    sides: [
      side('expands', 'Expands on the way in', 'The belly widens with the breath in and sinks with the breath out.'),
      side('reversed', 'Reversed', 'The belly draws in with the breath in and widens with the breath out.'),
    ],
  },
  {
    group: 'Breath',
    key: 'pauses',
    question: 'Pauses in the breath',
    sides: [
      side('none', 'None', 'No pauses: the breath turns over like a wheel.'),
      side('short', 'Short', 'A short rest when full or empty, never longer than three seconds.'),
      side('four-phase', 'Four phases', 'In, pause, out, pause, each round slower.'),
    ],
  },
  {
    group: 'Breath',
    key: 'breathWay',
    question: 'Nose, mouth and tongue',
    sides: [
      side('nose', 'Nose', 'In and out by the nose, the tongue at the palate.'),
      side('mouth out', 'Out by the mouth', 'In by the nose, out by soft lips.'),
      side('not named', 'Not named', 'Nothing is said of it.'),
    ],
  },
  {
    group: 'Counting and sides',
    key: 'counted',
    question: 'What is counted',
    sides: [
      side('repetitions', 'Repetitions', 'Movements are counted in repetitions, holds in time.'),
      side('minutes', 'Minutes', 'Everything is given in minutes; nobody counts circles.'),
      side('breaths', 'Breaths', 'Holds are counted in breaths.'),
      side('feel', 'By feel', 'The numbers are a guide; you stop when it is enough.'),
    ],
  },
  {
    group: 'Counting and sides',
    key: 'sideOrder',
    question: 'Sides',
    sides: [
      side('whole', 'One side whole', 'One side whole, then the other.'),
      side('alternating', 'Alternating', 'Left and right take turns, round by round.'),
      side('each', 'One each', 'Left and right take turns, repetition by repetition.'),
    ],
  },
];
