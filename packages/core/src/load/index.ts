export * from './practiceLoad';
