import { readPlan } from '@ombra/core/plan';
import { work } from '@ombra/core/work';
import ICAL from 'ical.js';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { daysFile } from '../src/server/daysFile';

const demo: Record<string, unknown> = JSON.parse(
  readFileSync(new URL('../../demo/sorrel-fork-hatchery.json', import.meta.url), 'utf8'),
) as Record<string, unknown>;

function daysOf(days?: object) {
  const reading = readPlan({ ...demo, days: days ?? {} });
  if (!reading.ok) throw new Error('the demo cannot be read');
  return work(reading.plan).days;
}

describe('the calendar file', () => {
  // Read back by another package than wrote it.
  it('has every item once, in its time, with an id that lasts', () => {
    const days = daysOf({ start: '2027-03-01' });
    const text = daysFile(days, 'job-1', 'Hatchery');
    const events = new ICAL.Component(ICAL.parse(text ?? '') as never).getAllSubcomponents('vevent');
    expect(events).toHaveLength(days.items.length);
    const read = events.map((each) => new ICAL.Event(each));
    expect(new Set(read.map(({ uid }) => uid)).size).toBe(days.items.length);
    read.forEach((event, index) => {
      const item = days.items[index];
      if (!item) throw new Error('one too many');
      expect(event.summary).toBe(`${item.name} · Hatchery`);
      const minutes = (time: ICAL.Time): number =>
        (Date.UTC(time.year, time.month - 1, time.day, time.hour, time.minute) - Date.UTC(2027, 2, 1)) /
        60_000;
      expect(minutes(event.startDate)).toBe(Math.round(item.start));
      expect(minutes(event.endDate)).toBe(Math.round(item.end));
    });
  });

  it('is none without a first day', () => {
    expect(daysFile(daysOf(), 'job-1', 'Hatchery')).toBeNull();
  });
});
