export * from './axisLimits';
export * from './holdLimit';
