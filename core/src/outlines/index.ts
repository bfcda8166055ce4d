export * from './chain';
export * from './found';
export * from './readPoints';
export * from './readWalk';
export * from './takeOutline';
export * from './understood';
