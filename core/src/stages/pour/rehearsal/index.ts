export * from './bestTrucks';
export * from './day';
export * from './run';
export * from './runs';
export * from './underway';
