/** From this share on all of a dose counts as done: a second of a long hold is forgiven. House value. */
export const ALL_DONE = 0.995;
