export * from './groups';
export * from './moveText';
export * from './notice';
export * from './noticeTable';
export * from './ruleNotices';
export * from './setAside';
export * from './formWords';
