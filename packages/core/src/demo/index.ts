export * from './demoContents';
export * from './random';
