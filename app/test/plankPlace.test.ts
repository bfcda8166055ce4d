import { inches } from '@ombra/core/kernel/measure';
import type { PlankRun } from '@ombra/core/stages/footing';
import { expect, it } from 'vitest';
import { plankPlace } from '../src/stages/footing/plankPlace';

const run = (change: Partial<PlankRun>): PlankRun => ({
  wall: 'w1',
  name: 'A–B',
  side: 'inside',
  part: 1,
  parts: 1,
  length: inches(90),
  whole: 0,
  cut: inches(90),
  ...change,
});

it('says where planks go, and which they are of several', () => {
  expect(plankPlace(run({}))).toBe('A–B, inside');
  expect(plankPlace(run({ part: 2, parts: 3 }))).toBe('A–B, inside 2 of 3');
  expect(plankPlace(run({ side: 'end' }))).toBe('A–B, across the free end');
});
