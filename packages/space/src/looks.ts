import type { FormStuff } from '@pomek/core';

/** The colours of a scene, as the page has them. */
export interface Look {
  readonly cloth: Readonly<Record<FormStuff, string>>;
  /** What is woven into the sleeves and the trouser legs of each side. */
  readonly weave: { readonly left: string; readonly right: string };
  readonly floor: string;
  readonly seat: string;
  readonly shadow: string;
  readonly path: string;
  /** Of the lines that are read: what must not be passed, what is there, what hangs. */
  readonly lines: { readonly danger: string; readonly ink: string; readonly plumb: string };
  /** What tires first, and another body that is seen through this one. */
  readonly tiring: string;
  readonly other: string;
  /** How bright the sky is, and how bright the sun. */
  readonly sky: number;
  readonly sun: number;
}

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
  tiring: '#c2410c',
  other: '#5b6f9a',
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
  tiring: '#ff8a5c',
  other: '#9fb3e8',
  lines: { danger: '#ff9d8f', ink: '#eef3ef', plumb: '#6fd6bd' },
  sky: 1.25,
  sun: 1.9,
};
/** The colours on white paper. */
export const paper: Look = { ...day, floor: '#e9eeea', cloth: { ...day.cloth, jacket: '#efe7d6' } };
