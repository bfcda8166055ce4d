import { readPlanText } from '@ombra/core/planFile';
import { work } from '@ombra/core/work';
import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const FOLDER = new URL('../public/examples/', import.meta.url);

describe('the example plans', () => {
  it.each(readdirSync(FOLDER))('%s reads, is laid, and has nothing that stops it', (file) => {
    const reading = readPlanText(readFileSync(new URL(file, FOLDER), 'utf8'));
    if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
    const worked = work(reading.plan);
    expect(worked.notices.filter(({ severity }) => severity === 'stop')).toEqual([]);
    expect(worked.openings.placed.every((opening) => opening.worked)).toBe(true);
    expect(worked.openings.placed).toHaveLength(reading.plan.openings?.length ?? 0);
  });
});
