import { booksOf } from '@ombra/core/books';
import { type Book, writeListing } from '@ombra/core/kernel/table';
import { wallsOf } from '@ombra/core/stages/outline';
import { type ExportJob, type Made, made, stateText } from './job';
import { logBook } from './logBook';

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

async function allBooks({ plan, worked, entries }: ExportJob): Promise<readonly Book[]> {
  const names = new Map(wallsOf(worked.shell).map(({ id, name }) => [id, name]));
  return [...(await booksOf(plan, worked)), logBook(plan, entries, (id) => names.get(id) ?? null)];
}

/** A book as a workbook; null where there is no such book. */
export async function workbookOf(job: ExportJob, id: string): Promise<Made | null> {
  const book = (await allBooks(job)).find((each) => each.id === id);
  if (!book) return null;
  const { writeWorkbook } = await import('./workbook');
  const { units, name } = job.plan;
  return made(XLSX, await writeWorkbook(book, { units, name, state: stateText(job) }));
}

/** One table as CSV; null where there is no such table. */
export async function csvListing(job: ExportJob, id: string): Promise<Made | null> {
  const listing = (await allBooks(job)).flatMap(({ listings }) => listings).find((each) => each.id === id);
  return listing ? made('text/csv; charset=utf-8', writeListing(listing, job.plan.units)) : null;
}
