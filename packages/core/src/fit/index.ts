export * from './fit';
export * from './fitRoutine';
export * from './lengthen';
