export * from './applied';
export * from './dayNumber';
export * from './judge';
export * from './strandState';
export * from './withSession';
