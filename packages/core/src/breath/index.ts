export * from './breathPattern';
export * from './breathPeriod';
export * from './breathPhaseAt';
export * from './breathRate';
export * from './breathsWithin';
export * from './slowingTotal';
export * from './restingRate';
export * from './breathCare';
