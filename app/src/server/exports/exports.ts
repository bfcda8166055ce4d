import { csvListing, workbookOf } from './books';
import { dxfOf, svgOf } from './drawings';
import type { ExportJob, Made } from './job';
import { bendingOf, ifcOf } from './models';
import { type PacketAsk, packetOf } from './packet';
import { calendarOf, planOf } from './plain';

/** Makes files of one ending; null where it makes none of that name. */
type Maker = (job: ExportJob, name: string, asked: URLSearchParams, ask: PacketAsk) => Promise<Made | null>;

/** Who makes the files of which ending. Each fetches its own package when it is first asked for. */
const MAKERS: Readonly<Record<string, Maker>> = {
  xlsx: workbookOf,
  csv: csvListing,
  svg: svgOf,
  dxf: dxfOf,
  ifc: ifcOf,
  abs: bendingOf,
  ics: calendarOf,
  json: planOf,
  pdf: packetOf,
};

/**
 * A file of a job by its name, `tally.xlsx`.
 *
 * @returns null where no file has that name
 */
export async function exportOf(
  job: ExportJob,
  file: string,
  asked: URLSearchParams,
  ask: PacketAsk,
): Promise<Made | null> {
  const [, name = '', ending = ''] = /^([\w-]{1,60})\.(\w{1,8})$/.exec(file) ?? [];
  const maker = Object.hasOwn(MAKERS, ending) ? MAKERS[ending] : undefined;
  return maker ? await maker(job, name, asked, ask) : null;
}
