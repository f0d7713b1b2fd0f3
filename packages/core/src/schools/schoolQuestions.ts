import type { School } from './school';

/** One question on which schools differ, and what each side of it means. Common practice, in our own words. */
export interface SchoolQuestion {
  readonly key: keyof School;
  readonly question: string;
  readonly sides: readonly { readonly value: string; readonly label: string; readonly sentence: string }[];
}

const side = (value: string, label: string, sentence: string) => ({ value, label, sentence });

/** Every row on which schools differ, in the order in which a stance is built and a drill is run. */
export const schoolQuestions: readonly SchoolQuestion[] = [
  {
    key: 'fatigueRule',
    question: 'When tired or shaking (pain always stops)',
    sides: [
      side('ease', 'Ease', 'Stop, loosen, start again; the total time still counts.'),
      side('endurance', 'Endure', 'Stay, breathe and go on while it only burns.'),
    ],
  },
  {
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
    key: 'toes',
    question: 'Toes in the neutral stance',
    sides: [
      side('parallel', 'Parallel', 'The feet are parallel.'),
      side('slightly out', 'Slightly out', 'The toes open about 15°.'),
      side('wide', 'Out 45°', 'The toes open 45°.'),
    ],
  },
  {
    key: 'fullShift',
    question: 'A full shift of weight',
    sides: [
      side('seven tenths', '70 / 30', 'Seven tenths go across, three stay.'),
      side('all', '100 / 0', 'All of it goes across; the other leg is empty.'),
    ],
  },
  {
    key: 'height',
    question: 'Height while moving',
    sides: [
      side('level', 'Level', 'The head keeps its height.'),
      side('rising', 'Rise and sink', 'The body rises with the breath in and sinks with the breath out.'),
    ],
  },
  {
    key: 'pelvis',
    question: 'Pelvis',
    sides: [
      side('hanging', 'Hanging', 'The pelvis hangs from the spine by its own weight.'),
      side('tucked', 'Tucked', 'The tailbone is drawn a little under.'),
    ],
  },
  {
    key: 'eyes',
    question: 'Eyes',
    sides: [
      side('level', 'Level', 'The eyes rest level and soft.'),
      side('following', 'Follow the hand', 'The eyes go with the leading hand.'),
      side('closed', 'Closed', 'The eyes close once the drill is known; open for anything on one leg.'),
    ],
  },
  {
    key: 'attention',
    question: 'Attention',
    sides: [
      side('inside', 'Inside', 'Attention rests in the belly, the palms or the feet.'),
      side('outside', 'Outside', 'Attention rests in the space between the hands or on something far off.'),
    ],
  },
  {
    key: 'movedBy',
    question: 'What moves the body',
    sides: [
      side('waist', 'The waist leads', 'The turn begins in the waist and the feet answer.'),
      side('feet', 'The feet push', 'The movement begins with a push of the foot into the floor.'),
    ],
  },
  {
    key: 'breathLink',
    question: 'Breath and movement',
    sides: [
      side('natural', 'Natural', 'The breath goes its own way, unlinked.'),
      side('loose', 'Loose', 'The breath changes somewhere in the move.'),
      side('linked', 'Linked', 'Sink out, rise in; the movement is as long as the breath.'),
    ],
  },
  {
    key: 'belly',
    question: 'Belly',
    sides: [
      side('expands', 'Expands on the way in', 'The belly widens with the breath in and sinks with the breath out.'),
      side('reversed', 'Reversed', 'The belly draws in with the breath in and widens with the breath out.'),
    ],
  },
  {
    key: 'pauses',
    question: 'Pauses in the breath',
    sides: [
      side('none', 'None', 'No pauses: the breath turns over like a wheel.'),
      side('short', 'Short', 'A short rest when full or empty, never longer than three seconds.'),
      side('four-phase', 'Four phases', 'In, pause, out, pause, each round slower.'),
    ],
  },
  {
    key: 'counted',
    question: 'What is counted',
    sides: [
      side('repetitions', 'Repetitions', 'Drills are counted in repetitions, holds in time.'),
      side('minutes', 'Minutes', 'Everything is given in minutes; nobody counts circles.'),
      side('breaths', 'Breaths', 'Holds are counted in breaths.'),
      side('feel', 'By feel', 'The numbers are a guide; you stop when it is enough.'),
    ],
  },
  {
    key: 'sideOrder',
    question: 'Sides',
    sides: [
      side('whole', 'One side whole', 'One side whole, then the other.'),
      side('alternating', 'Alternating', 'Left and right take turns, round by round.'),
      side('each', 'One each', 'Left and right take turns, repetition by repetition.'),
    ],
  },
  {
    key: 'precision',
    question: 'Precision',
    sides: [
      side('loose', 'Loose', 'The shape serves health: near enough is good.'),
      side('strict', 'Strict', 'The line is exact, and any lost point of alignment counts.'),
    ],
  },
];
