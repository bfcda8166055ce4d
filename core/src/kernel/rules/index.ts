export * from './houseRules';
export * from './rule';
