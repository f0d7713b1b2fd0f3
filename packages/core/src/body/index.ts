export * from './bendLimits';
export * from './body';
export * from './floorMarks';
export * from './statics';
export * from './bowGeometry';
export * from './jointMoments';
