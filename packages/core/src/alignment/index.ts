export * from './checkpoint';
export * from './checkpoints';
