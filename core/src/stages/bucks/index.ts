export * from './buildBucks';
export * from './lumber';
export * from './marking';
export * from './members';
export * from './sheets';
