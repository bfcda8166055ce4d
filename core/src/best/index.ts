export * from './findBest';
