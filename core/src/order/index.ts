export * from './buildOrder';
