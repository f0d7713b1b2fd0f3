export * from './correction';
