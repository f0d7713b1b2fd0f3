export * from './durationWords';
export * from './parseDuration';
export * from './checkRange';
export * from './groupBy';
export * from './sources';
export * from './shortDay';
export * from './angles';
export * from './percent';
