export * from './chain';
export * from './lessons';
export * from './lessonWords';
export * from './sideWords';
