export * from './checkpoint';
export * from './checkpoints';
export { cueOrder } from './cueOrder';
