export * from './earlierIn';
export * from './halfStep';
export * from './plateau';
export * from './plateauWords';
export * from './takeWay';
export * from './ways';
export * from './wholeSteps';
