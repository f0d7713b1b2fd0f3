export * from './care';
export * from './caredRoutine';
