export * from './buildOrder';
export * from './orderFor';
