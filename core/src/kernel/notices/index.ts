export * from './moveText';
export * from './notice';
export * from './ruleNotices';
export * from './noticeTable';
