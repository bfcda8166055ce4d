export * from './bodies';
export * from './entry';
export * from './history';
export * from './learned';
export * from './record';
