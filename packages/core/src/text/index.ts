export * from './cleanText';
export * from './textSchema';
