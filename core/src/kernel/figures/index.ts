export * from './figure';
export * from './how';
export * from './explain';
