export * from './axisWords';
export * from './doseWords';
export * from './durationWords';
export * from './weekReason';
export * from './parseDuration';
export * from './checkRange';
export * from './groupBy';
export * from './sources';
