export * from './dayNumber';
export * from './daySchema';
