export * from './care';
export * from './caredRoutine';
export * from './drillAsks';
