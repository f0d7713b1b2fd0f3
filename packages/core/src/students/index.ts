export * from './measure';
export * from './student';
export * from './studentBody';
export * from './newStudent';
export * from './measureWords';
