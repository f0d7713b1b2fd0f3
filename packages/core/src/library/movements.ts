/** What a drill does to a body that neither its posture nor its cycle shows. */
export const movements = [
  'rolls the back',
  'circles the head',
  'tips the head back',
  'bounces',
  'works the belly',
  'crosses a leg',
  'steps across',
  'leans while seated',
  'swings a leg',
] as const;
export type Movement = (typeof movements)[number];

/** As one ticks it at an exercise. */
export const movementLabels: Readonly<Record<Movement, string>> = {
  'rolls the back': 'Rounds the back and lets the head hang',
  'circles the head': 'Circles or turns the head',
  'tips the head back': 'Tips the head back or looks up',
  bounces: 'Bounces or shakes the whole body',
  'works the belly': 'Presses or draws in the belly',
  'crosses a leg': 'Crosses a leg or lays an ankle on the other knee',
  'steps across': 'Sets a foot across the other one',
  'leans while seated': 'Leans forward while seated',
  'swings a leg': 'Swings a leg',
};
