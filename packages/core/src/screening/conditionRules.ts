import type { Condition } from './conditions';

/** What a noted condition rules out or replaces, in the words of a caution. Common practice; never a diagnosis. */
export const conditionRules: Record<Condition, string> = {
  pregnancy:
    'No held breath, no pressing or drawing in of the belly; no deep bend, fold or squat, no wide stance, no quick turns; nothing on one leg without a hand on something; short stands. With medical advice only.',
  'high blood pressure':
    'No held breath; head never below the heart, also by rolling down; arms above the head only briefly; hard holds are shortened; get up slowly.',
  'heart condition':
    'No held breath; head never below the heart, also by rolling down; arms above the head only briefly; hard holds are shortened. With medical advice only.',
  'raised eye pressure': 'No held breath; head never below the heart, also by rolling down; nothing tight at the neck.',
  'breathing condition': 'No held breath; the breath is left to itself.',
  'knee pain': 'Knees bent little, no squats, no turn on a bent knee that carries weight; nothing past the toes.',
  'low back pain':
    'No deep fold and no wide twist, the trunk upright; shake out after each stand, none over two minutes; stop at any pain that runs down a leg.',
  'shoulder pain': 'Arms no higher than the chest, hands at the belly when in doubt, shorter holds.',
  'poor balance':
    'No foot off the floor, no rise on the toes and no swing without a hand on a chair or the wall; no step across; eyes open. Balance is trained holding on, a little more as it holds.',
  'dizziness or vertigo':
    'No quick turns, no circles of the head, head neither low nor thrown back; a hand on a chair for whatever lifts a foot or a heel; eyes open.',
  osteoporosis:
    'No folding or rolling forward, no bouncing, no brisk or wide twist; a hand on something for a rise on the toes; small and slow.',
  'hip or knee joint replaced':
    'No deep bend, no turn on that leg, no crossing of leg or step, no ankle on the other knee, no deep lean while seated, no swing of that leg, no bouncing. With medical advice only.',
};
