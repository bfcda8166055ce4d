export * from './boltRules';
export * from './bolts';
export * from './buildTopOff';
export * from './plates';
export * from './topOff';
