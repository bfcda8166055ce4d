export * from './document';
export * from './fields';
export * from './part';
export * from './plan';
export * from './salvage';
export * from './said';
export * from './storedText';
export * from './things';
