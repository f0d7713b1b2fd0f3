export * from './bendLimits';
export * from './body';
export * from './twoScales';
export * from './statics';
export * from './bowGeometry';
export * from './jointMoments';
