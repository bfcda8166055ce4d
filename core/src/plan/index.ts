export * from './edits';
export * from './footingEdit';
export * from './plan';
export * from './readPlan';
export * from './schema';
export * from './writePlan';
export * from './storedText';
export * from './wallEdit';
