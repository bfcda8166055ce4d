export * from './readTable';
export * from './listing';
