export * from './personRecord';
export * from './practicesThatTell';
export * from './conditionsDocument';
