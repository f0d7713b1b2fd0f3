export * from './standing';
export * from './strandVerdicts';
