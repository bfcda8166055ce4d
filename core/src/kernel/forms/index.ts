export * from './families';
export * from './family';
export * from './familyFile';
export * from './familySchema';
export * from './reading';
export * from './system';
export * from './words';
