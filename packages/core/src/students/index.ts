export * from './knownStands';
export * from './measure';
export * from './student';
export * from './studentBody';
export * from './newStudent';
export * from './measureWords';
export * from './practisedHolds';
export * from './strengthWords';
