export * from './courseNotices';
export * from './footingNotices';
export * from './levelNotices';
export * from './notice';
export * from './outlineNotices';
