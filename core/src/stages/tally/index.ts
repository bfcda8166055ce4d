export * from './concrete';
export * from './buildTally';
export * from './displaced';
export * from './tally';
export * from './selects';
