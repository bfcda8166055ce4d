export * from './bucks';
export * from './cornerReach';
export * from './liner';
export * from './moveOpening';
export * from './openingsFile';
export * from './placeOpenings';
export * from './problem';
export * from './shape';
