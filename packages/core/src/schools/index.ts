export * from './builtInSchools';
export * from './school';
export * from './contradictions';
export * from './conventions';
export * from './schoolDose';
export * from './schoolQuestions';
export * from './spokenCheckpoint';
