export * from './bodies';
export * from './deliveries';
export * from './entry';
export * from './history';
export * from './learned';
export * from './record';
export * from './seen';
