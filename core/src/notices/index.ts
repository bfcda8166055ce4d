export * from './courseNotices';
export * from './footingNotices';
export * from './insertNotices';
export * from './levelNotices';
export * from './moveText';
export * from './notice';
export * from './openingNotices';
export * from './outlineNotices';
