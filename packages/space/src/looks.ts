import type { Look } from './bodyScene';

/** The colours by day. */
export const day: Look = {
  cloth: {
    jacket: '#f4efe3',
    trousers: '#66766f',
    sash: '#0f5c4e',
    skin: '#c69b74',
    hair: '#3b322b',
    shoe: '#2c3532',
  },
  weave: { left: '#5a76c4', right: '#b8702e' },
  floor: '#dfe6e0',
  seat: '#b59a74',
  shadow: '#2a3a34',
  path: '#d98a1f',
  lines: { danger: '#b3261e', ink: '#1d2b29', plumb: '#0f5c4e' },
  sky: 1.7,
  sun: 1.9,
};
/** The colours in the hall’s dark. */
export const hall: Look = {
  cloth: {
    jacket: '#d9d6c8',
    trousers: '#52635c',
    sash: '#3fa08a',
    skin: '#b98c66',
    hair: '#2b2723',
    shoe: '#1f2724',
  },
  weave: { left: '#6f8ae0', right: '#d98a45' },
  floor: '#24322d',
  seat: '#7d6a4e',
  shadow: '#060a08',
  path: '#f0b25c',
  lines: { danger: '#ff9d8f', ink: '#eef3ef', plumb: '#6fd6bd' },
  sky: 1.25,
  sun: 1.9,
};
/** The colours on white paper. */
export const paper: Look = { ...day, floor: '#e9eeea', cloth: { ...day.cloth, jacket: '#efe7d6' } };
