export * from './bestTrucks';
export * from './day';
export { pressedBy, scratchFor } from './layers';
export * from './played';
export * from './run';
export * from './runs';
export * from './underway';
