export * from './applied';
export * from './judge';
export * from './strandState';
export * from './withSession';
