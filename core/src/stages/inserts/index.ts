export * from './clashes';
export * from './insertsFile';
export * from './parts';
export * from './placeInserts';
export * from './problem';
export * from './plan';
export * from './edits';
export { isRun } from './run';
