export * from './asksForBalance';
export * from './builtInExercises';
export * from './dose';
export * from './exercise';
export * from './searchExercises';
export * from './cycleFaults';
export * from './keyframe';
