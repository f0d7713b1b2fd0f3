export * from './conditionRules';
export * from './care';
export * from './caredRoutine';
export * from './conditions';
export * from './limits';
export * from './notedConditions';
export * from './norms';
