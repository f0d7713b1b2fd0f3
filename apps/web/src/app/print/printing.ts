/** All that lays out papers, loaded as one when the first is asked for. */
export { floorSheet } from './floor-sheet';
export { handout } from './handout';
export { PICTURE_PX, standing } from './handout-figure';
export { papers } from './papers';
export { pinUp } from './pin-up';
export { stillImage } from './still-image';
export { weekCard } from './week-card';
