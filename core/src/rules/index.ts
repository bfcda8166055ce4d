export * from './houseRules';
export * from './registry';
export * from './rule';
