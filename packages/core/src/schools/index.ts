export * from './builtInSchools';
export * from './school';
export * from './conventions';
export * from './schoolDose';
export * from './schoolQuestions';
export * from './spokenCheckpoint';
export * from './spokenLine';
export * from './stanceOfPosture';
