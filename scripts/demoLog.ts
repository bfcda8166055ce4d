import { readFileSync, writeFileSync } from 'node:fs';
import type { Entry, EntryBody, EntryKind } from '@ombra/core/kernel/record';
import { readPlanText } from '@ombra/core/planFile';
import { rulesOf } from '@ombra/core/rules';
import { rowOnSite } from '@ombra/core/stages/courses';
import { quantityOfShare, ratesOfItem } from '@ombra/core/stages/days';
import { work } from '@ombra/core/work';
import { wallsOf } from '@ombra/core/stages/outline';

/**
 * Writes the log of the demo job: invented people, days and mishaps on the plan as it is worked now. To be run again when the demo's
 * plan changes, so that what stands on site is what its plan lays.
 */

const folder = new URL('../demo/', import.meta.url);
const reading = readPlanText(readFileSync(new URL('sorrel-fork-hatchery.json', folder), 'utf8'));
if (!reading.ok) throw new Error('the demo does not read');
const { plan } = reading;
const worked = work(plan);
const rules = rulesOf(plan);

const entries: Entry[] = [];
/** An entry written at a time of a day in April 2027. */
function add<Kind extends EntryKind>(
  kind: Kind,
  day: string,
  time: string,
  body: EntryBody<Kind>,
  more: Partial<Pick<Entry, 'place' | 'who' | 'corrects'>> = {},
): string {
  const id = `demo-${String(entries.length + 1).padStart(2, '0')}`;
  const entry = { id, at: `${day}T${time}:00-04:00`, who: 'Wren', kind, body, ...more };
  entries.push(entry as unknown as Entry);
  return id;
}

/** Work on an item, all of it or a share; courses with every wall that was laid. */
function done(
  day: string,
  time: string,
  item: string,
  manHours: number,
  { share = 1, first = false, walls = [] as readonly string[] } = {},
): void {
  const found = worked.days.items.find(({ id }) => id === item);
  if (!found) throw new Error(`no item ${item}`);
  const rows = walls.flatMap((wall) => rowOnSite(worked, wall, found.course ?? 0) ?? []);
  add('work', day, time, {
    day,
    item,
    kind: found.kind,
    name: found.name,
    share,
    quantity: quantityOfShare(found, share),
    manMinutes: Math.round(manHours * 60),
    planned: Math.round(found.work.value * share),
    rates: ratesOfItem(found, rules),
    ...(first ? { first } : {}),
    ...(rows.length > 0 ? { rows } : {}),
  });
}

const sign = (day: string, time: string, point: string, word: string): void => {
  const hold = worked.days.holds.find(({ id }) => id === point);
  if (!hold) throw new Error(`no hold point ${point}`);
  add('hold', day, time, {
    point,
    name: hold.name,
    lines: hold.lines.map(({ what }) => what),
    by: 'Wren',
    word,
  });
};

const crew = [
  { name: 'Wren', hours: 8 },
  { name: 'Odell', hours: 8 },
];
const newcomers = [
  { name: 'Teo', hours: 8, first: true },
  { name: 'Ines', hours: 8, first: true },
];
const all = wallsOf(worked.shell).map(({ id }) => id);
const [ab = '', bc = ''] = all;
const [TUE, WED, THU, FRI] = ['2027-04-06', '2027-04-07', '2027-04-08', '2027-04-09'] as const;

add('people', TUE, '07:00', { day: TUE, people: [...crew, ...newcomers] });
add('weather', TUE, '07:05', {
  day: TUE,
  what: 'Dry, a cold wind from the lake',
  lowF: 36,
  highF: 51,
  gustMph: 14,
});
done(TUE, '10:10', 'strip', 3.4, { first: true });
sign(TUE, '10:30', 'footing', 'Inspector here at ten: dowels moved at B.');
done(TUE, '12:00', 'chalk', 2.5);
sign(TUE, '12:10', 'square', '');
done(TUE, '14:30', 'survey', 3.6);
add('delivery', TUE, '14:40', {
  day: TUE,
  ticket: '2041',
  late: true,
  lines: [
    { article: 'Straight', counted: 220, broken: 0, short: 0 },
    { article: 'Corner, either hand', counted: 60, broken: 3, short: 0 },
  ],
});
add('thought', TUE, '15:05', {
  what: 'Ask for the truck the day before. Four people waited for blocks from half past nine.',
});
add('people', WED, '07:00', { day: WED, people: [...crew, ...newcomers] });
done(WED, '09:20', 'bucks:pour-1', 6.2, { first: true });
done(WED, '10:15', 'course:1', 2.4, { first: true, walls: all });
sign(WED, '10:40', 'first-course', 'High spot shimmed at 16 ft on A–B.');
done(WED, '14:50', 'course:2', 13.5, { first: true, walls: all });
sign(WED, '15:15', 'two-courses', 'Glued, twenty minutes still.');
add('people', THU, '07:00', {
  day: THU,
  people: [...crew, { name: 'Teo', hours: 8, first: true }, { name: 'Marit', hours: 8 }],
});
done(THU, '09:50', 'course:3', 9.1, { walls: all });
add(
  'incident',
  THU,
  '10:20',
  {
    what: 'A gust took a stack of nine loose blocks off the bank.',
    cause: 'Stacked on end, not tied, wind from the lake.',
    cure: 'Stacks lie flat and are strapped from now on. Two blocks chipped at their interlock, laid as cuts.',
  },
  { place: { wall: ab, course: 4 } },
);
done(THU, '14:40', 'course:4', 9.4, { walls: all });
add(
  'pulled',
  THU,
  '14:50',
  { wall: ab, course: 4, length: '44ft 1/4in' },
  { place: { wall: ab, course: 4 } },
);
add('gear', THU, '15:10', { day: THU, what: 'Brace frames', count: 34, way: 'in' });
add('people', FRI, '07:00', {
  day: FRI,
  people: [...crew, ...newcomers, { name: 'Marit', hours: 8 }, { name: 'Sunniva', hours: 4 }],
});
done(FRI, '11:40', 'braces:pour-1', 16.5, { first: true });
add(
  'reading',
  FRI,
  '12:10',
  { of: 'string', when: 'before', wall: ab, at: '22ft', out: '3/8in' },
  { place: { wall: ab, station: '22ft' } },
);
add(
  'reading',
  FRI,
  '13:20',
  { of: 'string', when: 'before', wall: ab, at: '22ft', out: '1/16in' },
  { place: { wall: ab, station: '22ft' } },
);
const typed = 'Corner B stands a little out: look at it on Monday.';
const note = add('note', FRI, '14:00', { what: typed.replace('B', 'C') }, { place: { wall: bc } });
add('note', FRI, '14:02', { what: typed }, { place: { wall: bc }, corrects: note });
done(FRI, '15:10', 'course:5', 9.0, { walls: all });

writeFileSync(
  new URL('sorrel-fork-hatchery.log.jsonl', folder),
  `${entries.map((entry) => JSON.stringify(entry)).join('\n')}\n`,
);
