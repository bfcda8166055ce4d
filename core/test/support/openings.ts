import type { Insert } from '../../src/stages/inserts/plan';
import type { Opening } from '../../src/stages/openings/plan';
/** A window on the first wall of the test outlines, changed as asked. */
export const openingOf = (change: Partial<Opening> = {}): Opening => ({
  id: 'opening-1',
  kind: 'window',
  wall: 'w1',
  from: 'start',
  to: 'near',
  at: '200in',
  width: '36in',
  height: '48in',
  ...change,
});

/** A sleeve in the first wall of the test outlines, changed as asked. */
export const insertOf = (change: Partial<Insert> = {}): Insert => ({
  id: 'insert-1',
  kind: 'sleeve',
  wall: 'w1',
  from: 'start',
  at: '200in',
  up: '40in',
  ...change,
});
