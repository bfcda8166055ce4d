import type { Content, ContentTable, TableCell } from 'pdfmake/interfaces';

/** Fonts of the packet, by the names that its texts and drawings ask for. */
export const TEXT = 'Barlow Semi Condensed';
export const FELT = 'Permanent Marker';
/** The same hand for letters of central Europe. */
const MORE = 'Barlow More';

/** What the shipped fonts have letters for: those of western and of central Europe, and signs. */
const WESTERN =
  /[\u0020-\u007e\u00a0-\u00ff\u0131\u0152\u0153\u2013\u2014\u2018-\u201e\u2022\u2026\u2032\u2033\u2212\u20ac]/;
const CENTRAL = /[\u0100-\u024f]/;

/** Text in runs, each in a font that has its letters; what no font has becomes a question mark. */
export function runs(text: string): string | readonly { readonly text: string; readonly font?: string }[] {
  const signs = Array.from(text.replace(/[\t\r\n]+/g, ' ')).map((sign) => {
    if (WESTERN.test(sign)) return { sign, more: false };
    return CENTRAL.test(sign) ? { sign, more: true } : { sign: '?', more: false };
  });
  if (signs.every(({ more }) => !more)) return signs.map(({ sign }) => sign).join('');
  const parts: { text: string; more: boolean }[] = [];
  for (const { sign, more } of signs) {
    const last = parts.at(-1);
    if (last?.more === more) last.text += sign;
    else parts.push({ text: sign, more });
  }
  return parts.map(({ text: part, more }) => (more ? { text: part, font: MORE } : { text: part }));
}

/** Felt pen has no prime signs: crews write the straight ones. */
export const felt = (text: string): string => text.replaceAll('′', "'").replaceAll('″', '"');

type Style = Readonly<Record<string, unknown>>;

export const text = (said: string, style: Style = {}): Content =>
  ({ text: runs(said), ...style }) as unknown as Content;

export const heading = (said: string): Content => text(said, { style: 'h2', headlineLevel: 2 });

export const note = (said: string): Content => text(said, { style: 'note' });
export const strong = (said: string): Content => text(said, { bold: true, margin: [0, 3, 0, 0] });

/** An empty box to tick, drawn: the fonts have no sign for it. */
export const tick = (said: string, done = false): Content => ({
  columns: [
    {
      width: 14,
      canvas: [
        { type: 'rect', x: 0, y: 2, w: 8, h: 8, lineWidth: 0.8 },
        ...(done
          ? ([
              { type: 'line', x1: 1.5, y1: 6, x2: 3.5, y2: 8.5, lineWidth: 1.2 },
              { type: 'line', x1: 3.5, y1: 8.5, x2: 7.5, y2: 2.5, lineWidth: 1.2 },
            ] as const)
          : []),
      ],
    },
    { width: '*', stack: [text(said)] },
  ],
  margin: [0, 1, 0, 1],
});

/** A cell: text, or with a style of its own. */
export type Cell = string | { readonly said: string; readonly style?: Style };

/** Letters that a cell holds on one line. */
const SHORT = 24;

interface TableOptions {
  /** Width of each column; the rest is shared. */
  readonly widths?: readonly (string | number)[];
  /** Columns that are set to the right, by their number from 0. */
  readonly right?: readonly number[];
  readonly style?: Style;
}

/** A table whose head is repeated on every page; rows are not broken. */
export function table(
  head: readonly string[],
  rows: readonly (readonly Cell[])[],
  options: TableOptions = {},
): Content {
  const { widths = head.map((_, index) => (index === 0 ? 'auto' : '*')), right = [], style = {} } = options;
  const cell = (each: Cell, index: number, own: Style = {}): TableCell => {
    const { said, style: named = {} } = typeof each === 'string' ? { said: each } : each;
    return {
      text: runs(said),
      alignment: right.includes(index) ? 'right' : 'left',
      // A wall keeps its name together; what somebody has named at length is broken.
      noWrap: widths[index] === 'auto' && said.length <= SHORT,
      ...own,
      ...named,
    } as unknown as TableCell;
  };
  const body: ContentTable['table'] = {
    headerRows: 1,
    dontBreakRows: true,
    widths: [...widths] as never,
    body: [
      head.map((each, index) => cell(each, index, { style: 'head' })),
      ...rows.map((row) => row.map((each, index) => cell(each, index))),
    ],
  };
  return { table: body, layout: 'ruled', margin: [0, 2, 0, 8], ...style };
}

/** Content that shows a course: the code on its page leads there. */
export interface Course {
  readonly course: number;
  /** Set by the layout: the pages that it came to lie on. */
  readonly positions?: readonly { readonly pageNumber: number }[];
}

/** A heading of a course. */
export const courseHeading = (content: Content, course: number): Content =>
  ({ ...(content as object), course }) as unknown as Content;

/** The headings of courses among some content, in its order; the layout leaves its pages in these very objects. */
export const coursesIn = (content: readonly unknown[]): readonly Course[] =>
  content.flatMap((each): readonly Course[] => {
    if (typeof each !== 'object' || each === null) return [];
    if ('course' in each) return [each as Course];
    return 'stack' in each && Array.isArray(each.stack) ? coursesIn(each.stack as readonly unknown[]) : [];
  });
