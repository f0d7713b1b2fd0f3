export { day, hall, paper } from './looks';
export type { BodyScene, Look, Placed } from './bodyScene';
export { aslant, between, draggedTo, extentOf, stands, turnedByKey, type Extent, type Stand } from './stands';
