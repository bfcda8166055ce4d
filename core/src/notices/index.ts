export * from './courseNotices';
export * from './footingNotices';
export * from './levelNotices';
export * from './moveText';
export * from './notice';
export * from './outlineNotices';
