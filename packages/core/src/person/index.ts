export * from './personRecord';
export * from './practicesThatTell';
