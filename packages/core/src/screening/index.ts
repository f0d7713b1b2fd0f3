export * from './conditions';
export * from './norms';
