export * from './families';
export * from './family';
