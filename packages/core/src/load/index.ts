export * from './effortCalibration';
export * from './practiceLoad';
export * from './studentLoad';
