export * from './boltRules';
export * from './buildTopOff';
export * from './plates';
export * from './topOff';
