export type { OrderLine } from './article';
export * from './buildOrder';
export * from './orderFor';
