export * from './point';
