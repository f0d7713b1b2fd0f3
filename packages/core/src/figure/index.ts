export * from './cycleMoment';
export * from './figurePose';
export * from './figureWords';
export * from './levelBow';
export * from './floorPlan';
export type { Point3 } from './point3';
