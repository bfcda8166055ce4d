export * from './bestTrucks';
export * from './day';
export * from './random';
export * from './run';
export * from './runs';
