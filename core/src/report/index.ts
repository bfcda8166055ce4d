export * from './report';
