export * from './capacity';
export * from './capacityGuess';
export * from './enduranceTime';
export * from './exchange';
export * from './fatigue';
export * from './joints';
export * from './relativeEffort';
export * from './routineEffort';
