export * from './cycleMoment';
export * from './figurePose';
export * from './pose';
export * from './levelBow';
export * from './floorPlan';
export * from './bestView';
export type { Point3 } from './point3';
