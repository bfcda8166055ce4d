import { type Entry, MOST_ENTRIES, readEntry } from '@ombra/core/kernel/record';
import type { APIRoute } from 'astro';
import { type Problem, json, noSuchJob, only, readBody, refuse } from '../../../../../server/answers';
import { PAGE_OF_ENTRIES } from '../../../../../server/entryStore';

/** Entries of a job after a number, in the order in which they came; with `search`, the ids of those that hold its words. */
export const GET: APIRoute = async ({ locals, params, url }) => {
  const { id = '' } = params;
  const text = url.searchParams.get('search');
  if (text !== null) {
    const ids = await locals.services.entries.search(id, text.slice(0, 200));
    return ids ? json({ ids }) : noSuchJob(id);
  }
  const after = Number(url.searchParams.get('after') ?? '0');
  if (!Number.isInteger(after) || after < 0) {
    return refuse(422, {
      where: 'after',
      what: 'Name the number of the last entry that is known, a whole number.',
    });
  }
  const entries = await locals.services.entries.after(id, after);
  if (!entries) return noSuchJob(id);
  const last = entries.at(-1)?.number ?? after;
  return json({ entries, last, more: entries.length === PAGE_OF_ENTRIES });
};

/**
 * Adds entries to a job’s log: one, or many as `entries`. Each carries an id of its own; one that is there already changes nothing.
 * All of them are kept, or none.
 */
export const POST: APIRoute = async ({ locals, params, request }) => {
  const { id = '' } = params;
  const reading = await readBody(request);
  if (!reading.ok) return reading.answer;
  const { body } = reading;
  const many = 'entries' in body;
  const given: unknown = many ? body['entries'] : [body];
  if (!Array.isArray(given) || given.length > MOST_ENTRIES) {
    return refuse(422, {
      where: 'entries',
      what: `Send one entry, or a list of at most ${String(MOST_ENTRIES)} as “entries”.`,
    });
  }
  const entries: Entry[] = [];
  const problems: Problem[] = [];
  for (const [index, document] of given.entries()) {
    const read = readEntry(document);
    if (read.ok) entries.push(read.entry);
    else
      problems.push(
        ...read.problems.map(({ where, what }) => ({
          where: many ? `entries[${String(index)}].${where}` : where,
          what,
        })),
      );
  }
  if (problems.length > 0) return refuse(422, ...problems.slice(0, 20));
  const outcome = await locals.services.entries.add(id, entries, locals.person?.name);
  switch (outcome.kind) {
    case 'missing':
      return noSuchJob(id);
    case 'reused':
      return refuse(409, {
        where: 'id',
        what: `Other entries have these ids already: ${outcome.ids.slice(0, 5).join(', ')}. Give every entry an id of its own; nothing was kept.`,
      });
    case 'kept':
      return json({ added: outcome.added, last: outcome.last }, outcome.added > 0 ? 201 : 200);
  }
};

export const ALL = only('GET', 'POST');
