import type { Condition } from './conditions';

/** What a noted condition rules out or replaces, in the words of a caution. Common practice; never a diagnosis. */
export const conditionRules: Record<Condition, string> = {
  pregnancy: 'No held breath; nothing on one leg without a chair; higher and shorter. With medical advice only.',
  'high blood pressure': 'No held breath; arms above the head only briefly; get up slowly.',
  'heart condition': 'No held breath, no hard holds: stop well before it strains. With medical advice only.',
  'raised eye pressure': 'No held breath, head never below the heart.',
  'breathing condition': 'No held breath; the breath is left to itself.',
  'knee pain': 'Higher stance, shorter step, no bounce; nothing past the toes.',
  'low back pain': 'Shake out between rounds, no leaning; stop at any pain that runs down a leg.',
  'shoulder pain': 'Arms no higher than the chest, shorter holds.',
  'poor balance': 'A chair within reach; both feet on the floor; eyes open.',
  'dizziness or vertigo': 'No quick turns, no circles of the head; eyes open, a chair within reach.',
  osteoporosis: 'No folding forward, no bouncing; small and slow.',
  'hip or knee joint replaced': 'No deep bend, no twist on that leg, no crossing steps. With medical advice only.',
};
