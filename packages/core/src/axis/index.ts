export * from './axis';
export * from './axisWords';
export * from './defaultStep';
export * from './doseAxis';
export * from './segmentAxis';
export * from './setOnAxis';
