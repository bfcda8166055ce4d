export * from './concrete';
export * from './buildTally';
export * from './displaced';
export * from './explain';
export * from './figure';
export * from './how';
