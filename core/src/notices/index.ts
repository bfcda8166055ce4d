export * from './courseNotices';
export * from './notice';
export * from './outlineNotices';
