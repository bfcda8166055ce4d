export * from './buildDays';
export * from './items';
export * from './report';
