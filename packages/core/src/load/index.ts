export * from './effortCalibration';
export * from './practiceLoad';
export * from './studentLoad';
export * from './drillTotals';
