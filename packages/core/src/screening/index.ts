export * from './conditionRules';
export * from './conditions';
export * from './limits';
export * from './namedConditions';
export * from './noted';
export * from './norms';
export * from './ownLimits';
export * from './usualAtAge';
