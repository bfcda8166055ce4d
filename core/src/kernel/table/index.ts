export * from './readTable';
