export * from './buildShell';
export * from './closing';
export * from './offset';
export * from './point';
export * from './polygon';
export * from './setup';
export * from './shell';
export * from './walk';
