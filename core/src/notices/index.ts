export * from './courseNotices';
export * from './levelNotices';
export * from './notice';
export * from './outlineNotices';
