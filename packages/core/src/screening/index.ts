export * from './conditionRules';
export * from './conditions';
export * from './norms';
