export * from './limits';
export * from './withinLimits';
