export * from './buildEdges';
export * from './plan';
