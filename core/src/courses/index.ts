export * from './corners';
export * from './joints';
export * from './layCourses';
export * from './lucky';
export * from './piece';
export * from './rest';
export * from './row';
export * from './webs';
