export * from './engine';
export * from './memory';
export * from './patch';
export * from './share';
export * from './stage';
