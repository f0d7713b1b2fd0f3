/** Words of the effort scale, 0 to 10. */
export const effortWords = [
  'nothing at all',
  'very light',
  'light',
  'moderate',
  'somewhat hard',
  'hard',
  'harder',
  'very hard',
  'very hard indeed',
  'almost all I have',
  'all I have',
];
/** Words of the pain scale, 0 to 10. */
export const painWords = [
  'none',
  'barely',
  'slight',
  'clear',
  'strong enough to stop',
  'strong',
  'strong',
  'severe',
  'severe',
  'unbearable',
  'worst',
];
