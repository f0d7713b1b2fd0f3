export * from './bells';
export * from './conduct';
export * from './journal';
export * from './lineShare';
export * from './log';
export * from './logLines';
export * from './painPlace';
export * from './practiceLog';
