/** Doses are no less and no more than these shares of what they are. Our own values. */
export const LEAST_STRETCH = 0.6;
export const MOST_STRETCH = 2;

/** How long some exercises take as they are, how much of that is work, and the least and the most that they can take, s. */
export interface Extent {
  readonly seconds: number;
  readonly work: number;
  readonly least: number;
  readonly most: number;
}

export const NO_EXTENT: Extent = { seconds: 0, work: 0, least: 0, most: 0 };

export const sumOf = (a: Extent, b: Extent): Extent => ({
  seconds: a.seconds + b.seconds,
  work: a.work + b.work,
  least: a.least + b.least,
  most: a.most + b.most,
});

/** By how much all work has to be more or less so that something takes so many seconds; not a number where nothing may change. */
export const stretchOf = (whole: Extent, seconds: number): number =>
  (seconds - (whole.seconds - whole.work)) / whole.work;

/** How long something takes whose work is stretched, s. */
export const lengthOf = ({ seconds, work }: Extent, stretch: number): number => seconds + (stretch - 1) * work;
