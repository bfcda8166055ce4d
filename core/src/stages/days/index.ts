export * from './buildDays';
export { DAY, dayOf } from './calendar';
export * from './forecast';
export * from './hire';
export * from './holdPoints';
export * from './items';
export * from './report';
