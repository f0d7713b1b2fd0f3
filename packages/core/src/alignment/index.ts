export * from './checkpoint';
export * from './checkpoints';
export * from './cueOrder';
