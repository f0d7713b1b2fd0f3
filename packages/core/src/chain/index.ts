export * from './chain';
export * from './lessons';
export * from './sideWords';
