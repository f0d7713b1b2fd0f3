export { day, hall, paper, type Look } from './looks';
export type { BodyScene, Placed } from './bodyScene';
export { aslant, between, draggedTo, extentOf, stands, turnedByKey, type Extent, type Stand } from './stands';
