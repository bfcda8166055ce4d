import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { PacketChoice, PacketSheet } from '../../stages/packet/choice';
import { PACKET_SHEETS } from '../../stages/packet/choice';
import type { ExportJob } from '../exports/job';
import { type PacketContext, type PageSize, contextOf } from './context';
import type { MessageKey } from './messages/en';
import { type Course, TEXT, coursesIn, text } from './parts';
import { bracingSection } from './sections/bracing';
import { bucksSection } from './sections/bucks';
import { coverSection } from './sections/cover';
import { cardsSection, coursesSection } from './sections/courses';
import { footingSection } from './sections/footing';
import { daysSection, holdsSection, orderSection } from './sections/office';
import { outlineSection } from './sections/outline';
import { hoseSection, troubleSection, watchSection } from './sections/pour';
import { shopSection, steelSection } from './sections/steel';
import type { Words } from './words';

interface Section {
  readonly title: MessageKey;
  readonly make: (context: PacketContext) => readonly Content[];
}

const SECTIONS: Readonly<Record<PacketSheet, Section>> = {
  outline: { title: 'outline', make: outlineSection },
  footing: { title: 'footing', make: footingSection },
  courses: { title: 'coursesTitle', make: coursesSection },
  cards: { title: 'wallCards', make: cardsSection },
  steel: { title: 'steel', make: steelSection },
  shop: { title: 'shop', make: shopSection },
  bucks: { title: 'bucks', make: bucksSection },
  bracing: { title: 'bracing', make: bracingSection },
  hose: { title: 'hose', make: hoseSection },
  watch: { title: 'watch', make: watchSection },
  trouble: { title: 'trouble', make: troubleSection },
  order: { title: 'orderList', make: orderSection },
  days: { title: 'days', make: daysSection },
  holds: { title: 'holds', make: holdsSection },
};

/** Points to a millimetre. */
const MM = 72 / 25.4;
/** Clear all round: any printer reaches there. */
const MARGIN = 8 * MM;
/** Room for the head of a page with its code, and for its foot. */
const HEAD = 60;
const FOOT = 16;

const PAPER_SIZES: Readonly<Record<PacketChoice['paper'], PageSize>> = {
  letter: { width: 612, height: 792 },
  a4: { width: 595.28, height: 841.89 },
};

const room = ({ width, height }: PageSize): PageSize => ({
  width: width - 2 * MARGIN,
  height: height - 2 * MARGIN - HEAD - FOOT - 30,
});

/** A heading as the layout leaves it: with the pages that it came to lie on. */
interface Laid {
  positions?: readonly { readonly pageNumber: number }[];
}

/** Where a scanned code leads: the place of a sheet and its course, with the state that its paper shows. */
const scanAddress = (origin: string, job: ExportJob, stage: string, course: number | null): string =>
  `${origin}/jobs/${job.jobId}/paper?state=${String(job.version)}&to=${stage}${course === null ? '' : `&course=${String(course)}`}`;

interface PacketInput {
  readonly job: ExportJob;
  readonly choice: PacketChoice;
  readonly words: Words;
  /** Where the application was asked for, `http://127.0.0.1:4321`. */
  readonly origin: string;
  /** Told as each section is made: so many of so many. */
  readonly onSection?: (done: number, of: number) => void;
}

/** The packet as a document to be laid out: a cover, then each chosen sheet with pages numbered by itself, a code on every page. */
export function packetDocument({ job, choice, words, origin, onSection }: PacketInput): TDocumentDefinitions {
  const paper = PAPER_SIZES[choice.paper];
  const context = contextOf({
    job,
    choice,
    words,
    upright: room(paper),
  });
  const { t } = words;
  const headings: Laid[] = [];
  /** First page of each section; the cover is the first of all. */
  const firstPage = (index: number, pages: number): number => {
    if (index < 0) return 1;
    return index >= headings.length ? pages + 1 : (headings[index]?.positions?.[0]?.pageNumber ?? 0);
  };
  const head =
    (title: string, stage: string, index: number, courses: readonly Course[]) =>
    (page: number, pages: number): Content => {
      const [from, to] = [firstPage(index, pages), firstPage(index + 1, pages)];
      const shown = courses.findLast(({ positions }) => (positions?.[0]?.pageNumber ?? Infinity) <= page);
      return {
        margin: [MARGIN, MARGIN, MARGIN, 0],
        columns: [
          {
            width: '*',
            stack: [
              text(job.plan.name, { bold: true, fontSize: 13 }),
              text(t('page', { section: title, page: page - from + 1, pages: to - from }), { fontSize: 12 }),
              text(t('state', { state: job.version, date: words.date(job.savedAt) }), { style: 'note' }),
            ],
          },
          {
            width: 110,
            stack: [text(t('scan'), { fontSize: 7.5, alignment: 'right', margin: [0, 2, 6, 0] })],
          },
          {
            width: HEAD - 6,
            qr: scanAddress(origin, job, stage, shown?.course ?? null),
            fit: HEAD - 6,
            eccLevel: 'L',
          },
        ],
      };
    };
  const chosen = PACKET_SHEETS.filter(({ id }) => choice.sheets.includes(id));
  const pageMargins: [number, number, number, number] = [MARGIN, MARGIN + HEAD + 8, MARGIN, MARGIN + FOOT];
  const sections = chosen.map(({ id, stage }, index): Content => {
    const { title, make } = SECTIONS[id];
    const named = t(title);
    const laid: Laid = {
      ...(text(named, { style: 'h1', tocItem: 'contents', outline: true, headlineLevel: 1 }) as object),
    };
    headings.push(laid);
    const made = make(context);
    const section = [laid as Content, ...made];
    onSection?.(index + 1, chosen.length);
    return {
      section,
      header: head(named, stage, index, coursesIn(made)),
      footer: 'inherit',
      pageSize: choice.paper === 'letter' ? 'LETTER' : 'A4',
      pageMargins,
    } as unknown as Content;
  });
  return {
    info: { title: `${job.plan.name}: ${t('packet')}`, creator: 'Ombra', producer: 'Ombra' },
    language: words.locale,
    displayTitle: true,
    pageSize: choice.paper === 'letter' ? 'LETTER' : 'A4',
    pageMargins,
    header: head(t('packet'), 'packet', -1, []),
    footer: () => ({
      margin: [MARGIN, 0, MARGIN, 0],
      stack: [text(t('caution'), { fontSize: 7.5, color: '#444444' })],
    }),
    defaultStyle: { font: TEXT, fontSize: 10.5, lineHeight: 1.05 },
    styles: {
      h1: { fontSize: 18, bold: true, margin: [0, 0, 0, 4] },
      h2: { fontSize: 13, bold: true, margin: [0, 6, 0, 2] },
      head: { fontSize: 9, bold: true, color: '#333333' },
      note: { fontSize: 9, color: '#333333' },
    },
    content: [...coverSection(context), ...sections],
  };
}
