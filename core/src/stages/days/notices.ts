import { type Notice, type NoticeTable, noticesOf } from '../../kernel/notices';
import type { Days, DaysProblem } from './buildDays';

/** The causes, for several places at once. */
const ABOUT: Readonly<Record<DaysProblem['kind'], string>> = {
  'start-unreadable': 'First days that cannot be read',
  'day-unreadable': 'Days that cannot be read',
  'pour-too-soon': 'Pours booked too soon',
  'pour-before-start': 'Pours booked before the first day',
  'too-few-days': 'Too few working days',
  'gone-on': 'Work past an unsigned hold point',
  fallen: 'Hold points to sign again',
  'unknown-item': 'Log entries for work that the plan no longer has',
  'pour-passed': 'Pours whose day has passed',
  'before-start': 'Log entries from before the first day',
};

const TABLE: NoticeTable<DaysProblem> = {
  'start-unreadable': ({ text }) => ({
    severity: 'check',
    where: 'First day',
    place: {},
    what: `“${text.slice(0, 20)}” is no day of the calendar. Enter the first working day again.`,
  }),
  'day-unreadable': ({ text }) => ({
    key: text,
    severity: 'check',
    where: 'Days',
    place: {},
    what: `“${text.slice(0, 20)}” is no day of the calendar. It is passed over.`,
  }),
  'pour-too-soon': ({ pour, name, date, short }) => ({
    key: pour,
    severity: 'check',
    where: name,
    place: {},
    what: `Booked for ${date}, and the work before it takes ${String(short)} ${short === 1 ? 'day' : 'days'} longer. Move the pour, start sooner, or bring more people.`,
    why: 'The wall must stand straight and be inspected before concrete.',
  }),
  'pour-before-start': ({ pour, name, date }) => ({
    key: pour,
    severity: 'check',
    where: name,
    place: {},
    what: `Booked for ${date}, before the first day of the job. Correct one of them; until then the pour follows the work.`,
  }),
  'too-few-days': () => ({
    severity: 'check',
    where: 'Days',
    place: {},
    what: 'The crew does not get this job done in four years. Add people, or days to work on.',
  }),
  'gone-on': ({ item, name, points }) => ({
    key: item,
    severity: 'check',
    where: name,
    place: {},
    what: `Begun, and not signed before it: ${points.join(', ')}. Look at it now, and sign it under Days, Hold points.`,
    why: 'What is covered is not seen again.',
  }),
  fallen: ({ point, name, lines }) => ({
    key: point,
    severity: 'check',
    where: name,
    place: {},
    what: `Signed, and the job has changed since: ${String(lines)} ${lines === 1 ? 'line reads' : 'lines read'} differently. Look again and sign it.`,
  }),
  'unknown-item': ({ item, name }) => ({
    key: item,
    severity: 'tip',
    where: name,
    place: {},
    what: 'The log has work on this, and the plan has no such item any more. The entry is kept.',
  }),
  'pour-passed': ({ pour, name, date }) => ({
    key: pour,
    severity: 'check',
    where: name,
    place: {},
    what: `Booked for ${date}, and the log goes on after it without the pour. Record it, or give it another day.`,
  }),
  'before-start': ({ day }) => ({
    severity: 'check',
    where: 'Log',
    place: {},
    what: `The log has work on ${day}, before the first day of the job. Correct one of them.`,
  }),
};

/** What the days have to say. */
export const daysNotices = (days: Days): readonly Notice[] =>
  noticesOf(days.problems, { before: 'days:', stage: 'days', about: ABOUT, table: TABLE });
