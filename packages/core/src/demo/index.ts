export * from './demoContents';
