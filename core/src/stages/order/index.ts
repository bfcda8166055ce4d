export { type OrderLine, wholePieces } from './article';
export * from './buildOrder';
export * from './orderFor';
