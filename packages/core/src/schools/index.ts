export * from './builtInSchools';
export * from './school';
