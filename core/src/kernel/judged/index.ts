export * from './judged';
