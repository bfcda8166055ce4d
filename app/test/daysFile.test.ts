import { readPlan } from '@ombra/core/planFile';
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

const eventsOf = (text: string | null): readonly ICAL.Event[] =>
  new ICAL.Component(ICAL.parse(text ?? '') as never)
    .getAllSubcomponents('vevent')
    .map((each) => new ICAL.Event(each));

describe('the calendar file', () => {
  // Read back by another package than wrote it.
  it('has every item once, in its time, with an id that lasts', () => {
    const days = daysOf({ start: '2027-03-01' });
    const text = daysFile(days, 'job-1', 'Hatchery');
    const all = eventsOf(text);
    expect(new Set(all.map(({ uid }) => uid)).size).toBe(all.length);
    const read = all.filter(({ uid }) => !/^(hold|hire|book)\./.test(uid));
    expect(read).toHaveLength(days.items.length);
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

  it('has what is still to be signed, before the work that waits for it, and the hire of braces by whole days', () => {
    const days = daysOf({ start: '2027-03-01' });
    const signed = {
      ...days,
      holds: days.holds.map((hold, at) => (at === 0 ? { ...hold, state: 'signed' as const } : hold)),
    };
    const events = eventsOf(daysFile(signed, 'job-1', 'Hatchery'));
    const holds = events.filter(({ uid }) => uid.startsWith('hold.'));
    expect(holds).toHaveLength(days.holds.length - 1);
    const bars = holds.find(({ uid }) => uid.startsWith('hold.bars:'));
    const visit = events.find(({ uid }) => uid.startsWith('inspection:'));
    expect(bars?.startDate.toString()).toBe(visit?.startDate.toString());
    const [hire] = days.hires;
    const hired = events.find(({ uid }) => uid.startsWith('hire.'));
    expect(hired?.startDate.isDate).toBe(true);
    expect(hired?.duration.toSeconds()).toBe(((hire?.until ?? 0) - (hire?.from ?? 0) + 1) * 86_400);
  });

  it('is none without a first day', () => {
    expect(daysFile(daysOf(), 'job-1', 'Hatchery')).toBeNull();
  });
});
