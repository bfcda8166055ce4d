export * from './buildDays';
export { DAY, dayOf } from './calendar';
export * from './items';
export * from './report';
