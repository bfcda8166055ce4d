export * from './card';
export * from './work';
