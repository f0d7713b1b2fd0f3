export * from './chain';
export * from './lessons';
export * from './lessonWords';
export * from './path';
export * from './sideWords';
export { mirroredPiece, mirroredTravel, travelOf, type Travel } from './travel';
export * from './term';
export * from './travelWords';
