export * from './care';
export * from './caredRoutine';
export * from './conditionTable';
export * from './drillAsks';
