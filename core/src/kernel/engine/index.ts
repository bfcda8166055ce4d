export * from './engine';
export * from './patch';
export * from './share';
export * from './stage';
