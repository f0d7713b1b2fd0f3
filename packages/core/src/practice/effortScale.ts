/** Words of the effort scale, 0 to 10. */
export const effortWords = [
  'nothing at all',
  'very light',
  'light',
  'moderate',
  'somewhat hard',
  'hard',
  'hard to very hard',
  'very hard',
  'very hard indeed',
  'almost all I have',
  'all I have',
];
/** Words of the pain scale, 0 to 10: 1–3 mild, 4–6 moderate, 7–9 severe, as it is commonly read (from memory). */
export const painWords = [
  'none',
  'very mild',
  'mild',
  'mild, but clear',
  'moderate, enough to stop',
  'moderate',
  'moderate',
  'severe',
  'severe',
  'very severe',
  'the worst there is',
];
