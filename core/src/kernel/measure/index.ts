export * from './angle';
export * from './length';
export * from './quantities';
export * from './readLength';
export * from './readQuantity';
export * from './readTurn';
export * from './readVolume';
export * from './writeLength';
