export * from './cycleMoment';
export * from './figurePose';
export * from './levelBow';
export * from './floorPlan';
export type { Point3 } from './point3';
