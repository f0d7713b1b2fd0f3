export * from './correction';
export * from './seenInWork';
