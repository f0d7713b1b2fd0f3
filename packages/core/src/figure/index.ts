export * from './cycleMoment';
export * from './figurePose';
export * from './pose';
export * from './levelBow';
export * from './floorPlan';
export * from './bestView';
export * from './shownDrill';
export type { Point3 } from './point3';
