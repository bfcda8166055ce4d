import { readFileSync, readdirSync } from 'node:fs';
import { FAMILIES } from '@ombra/core/kernel/forms';
import { inches, storeLength } from '@ombra/core/kernel/measure';
import type { Plan } from '@ombra/core/kernel/plan';
import { readPlanText } from '@ombra/core/planFile';
import { RULES } from '@ombra/core/rules';
import { type Insert, INSERT_KINDS } from '@ombra/core/stages/inserts';
import type { Opening } from '@ombra/core/stages/openings';
import { emptyPlan } from '@ombra/core/stages/outline';
import { report } from '@ombra/core/report';
import { work } from '@ombra/core/work';
import { IntlMessageFormat } from 'intl-messageformat';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { beforeAll, describe, expect, it } from 'vitest';
import type { ExportJob } from '../src/server/exports/job';
import { packetOf } from '../src/server/exports/packet';
import { planOf } from '../../core/test/support/plans';
import { en } from '../src/server/packet/messages/en';
import { es } from '../src/server/packet/messages/es';
import { fr } from '../src/server/packet/messages/fr';
import { packetDocument } from '../src/server/packet/packet';
import { runs } from '../src/server/packet/parts';
import { renderPdf } from '../src/server/packet/pdf';
import { readTerms, sayIn } from '../src/server/packet/terms';
import { wordsOf } from '../src/server/packet/words';
import { PACKET_SHEETS, ROLES, readChoice, writeChoice } from '../src/stages/packet/choice';

function jobOf(file: string): ExportJob {
  const reading = readPlanText(readFileSync(file, 'utf8'));
  if (!reading.ok) throw new Error(`${file} does not read`);
  const { plan } = reading;
  return {
    plan,
    worked: work(plan),
    jobId: 'job-1',
    version: 12,
    savedAt: '2027-04-06T15:00:00.000Z',
    entries: [],
  };
}

const DEMO = 'demo/sorrel-fork-hatchery.json';
const demo = jobOf(DEMO);
const ORIGIN = 'http://127.0.0.1:4321';

/** The head of a section’s pages, as far as the code in it goes. */
type Head = (page: number, pages: number) => { readonly columns: readonly { readonly qr?: string }[] };

interface ReadPdf {
  readonly pages: readonly string[];
  readonly outline: readonly string[];
  readonly title: unknown;
  readonly language: unknown;
  readonly size: readonly [number, number];
}

async function readPdf(bytes: Uint8Array): Promise<ReadPdf> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  const pages: string[] = [];
  for (let number = 1; number <= pdf.numPages; number += 1) {
    const { items } = await (await pdf.getPage(number)).getTextContent();
    pages.push(
      items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' ')
        .replace(/\s+/g, ' '),
    );
  }
  const info = (await pdf.getMetadata()).info as Record<string, unknown>;
  const [, , width = 0, height = 0] = (await pdf.getPage(1)).view;
  const outline = ((await pdf.getOutline()) ?? []).map(({ title }) => title);
  const read = {
    pages,
    outline,
    title: info['Title'],
    language: info['Language'],
    size: [width, height] as const,
  };
  await pdf.destroy();
  return read;
}

async function packet(asked: Readonly<Record<string, string>>, job = demo): Promise<ReadPdf> {
  const file = await packetOf(job, 'packet', new URLSearchParams(asked), { origin: ORIGIN });
  if (!file?.ok || typeof file.body === 'string') throw new Error(JSON.stringify(file));
  return readPdf(file.body);
}

describe('the packet of the demo', () => {
  let read: ReadPdf;
  beforeAll(async () => {
    read = await packet({});
  });

  it('is a document with a title, a language and a bookmark for each sheet', () => {
    expect(read.title).toBe('Sorrel Fork Hatchery: Packet');
    expect(read.language).toBe('en-US');
    expect(read.outline).toHaveLength(PACKET_SHEETS.length);
    expect(read.size).toEqual([612, 792]);
  });

  it('numbers the pages of each sheet by itself, and names the state on every one', () => {
    const sheets: { name: string; page: number; pages: number }[] = read.pages.map((page) => {
      const [, name = '', own = '', all = ''] =
        /Sorrel Fork Hatchery ([A-Z][a-z]+(?: [a-z]+)?) (\d+) of (\d+) State 12, saved Apr 6, 2027/.exec(
          page,
        ) ?? [];
      return { name, page: Number(own), pages: Number(all) };
    });
    const names = [...new Set(sheets.map(({ name }) => name))];
    expect(names).toEqual(['Packet', ...read.outline]);
    for (const name of names) {
      const own = sheets.filter((each) => each.name === name);
      expect(own.map(({ page }) => page)).toEqual(own.map((_, index) => index + 1));
      expect(own.every(({ pages }) => pages === own.length)).toBe(true);
    }
  });

  it('tells the tally’s and the steel’s own numbers', () => {
    const told = report(demo.worked);
    const order = read.pages.filter((page) => page.includes(' Order ')).join(' ');
    expect(order).toContain(`Blocks to buy: ${String(told.tally.total.blocksBought)}`);
    const total = told.tally.total;
    expect(order).toContain(
      `Total ${[total.straight, total.cut, total.cornerLH, total.cornerRH].join(' ')} ${total.coreVolume.value.toFixed(2)} yd³`,
    );
    const shop = read.pages.filter((page) => page.includes('Bar shop')).join(' ');
    for (const { mark } of told.steel.schedule) expect(shop).toContain(` ${mark} `);
  });

  it('has a card for every course whose lengths are those of its cuts', () => {
    const cards = read.pages.filter((page) => /Wall cards \d+ of/.test(page));
    expect(cards).toHaveLength(demo.worked.courses.count);
    const cuts = demo.worked.courses.pieces.filter((piece) => piece.kind === 'cut' && piece.course === 2);
    const large = (cards[1] ?? '').replaceAll('\u00a0', ' ');
    expect(large.match(/\b\d+(?: 1\/2)?(?= |$)/g)?.length ?? 0).toBeGreaterThanOrEqual(cuts.length);
    expect(cuts.length).toBeGreaterThan(5);
  });
});

it('has a code on every page that names the state and leads to its own course', async () => {
  const reading = readChoice(new URLSearchParams({ sheets: 'courses,steel' }), 'letter');
  if (!reading.ok) throw new Error(reading.what);
  const document = packetDocument({
    job: demo,
    choice: reading.choice,
    words: wordsOf('en'),
    origin: ORIGIN,
  });
  const { pages } = await readPdf(await renderPdf(document));
  const [courses, steel] = (document.content as readonly { section?: unknown; header?: Head }[]).filter(
    (each) => 'section' in each,
  );
  const code = (section: typeof courses, page: number): string =>
    section?.header?.(page, pages.length).columns[2]?.qr ?? '';
  let seen = 0;
  pages.forEach((page, index) => {
    const course = /^Course (\d+) | Course (\d+) /.exec(page);
    if (!page.includes(' Courses ') || !course) return;
    seen += 1;
    const shown = course[1] ?? course[2] ?? '';
    expect(code(courses, index + 1)).toBe(`${ORIGIN}/jobs/job-1/paper?state=12&to=courses&course=${shown}`);
  });
  expect(seen).toBe(demo.worked.courses.count);
  expect(code(steel, pages.length)).toBe(`${ORIGIN}/jobs/job-1/paper?state=12&to=steel`);
});

it('makes what is asked for: roles, paper, ink', async () => {
  const read = await packet({ roles: 'watchers,hose', paper: 'a4', ink: 'black' });
  expect(read.outline).toEqual(['Pour', 'Watch', 'Trouble']);
  expect(read.size.map(Math.round)).toEqual([595, 842]);
  expect(read.pages.join(' ')).toContain('Load');
});

it.each(['es', 'fr'] as const)('leaves no phrase of its jobs in English, %s', (language) => {
  const files = [DEMO, ...readdirSync('app/public/examples').map((name) => `app/public/examples/${name}`)];
  const missed = new Set<string>();
  for (const file of files) {
    const job = jobOf(file);
    const names = [job.worked.shell.family?.name, ...(job.plan.pours ?? []).map(({ name }) => name)];
    const reading = readChoice(new URLSearchParams({ language }), 'letter');
    if (!reading.ok) throw new Error(reading.what);
    packetDocument({
      job,
      choice: reading.choice,
      words: wordsOf(language, (phrase) => {
        // What people have named stays as they named it.
        if (!names.includes(phrase)) missed.add(phrase);
      }),
      origin: ORIGIN,
    });
  }
  expect([...missed]).toEqual([]);
});

describe('phrases of jobs made in any way', () => {
  const OPENINGS = ['window', 'door', 'garage', 'round-top', 'void'] as const;
  const walls = demo.plan.loops.flatMap(({ walk }) => walk.map(({ id }) => id));
  const on = (index: number): string => walls[index % walls.length] ?? '';
  /** The demo with an opening and an insert of every kind, exposed edges and two pours, the first of which ends half way up a block. */
  const everything: Plan = {
    ...demo.plan,
    openings: OPENINGS.map((kind, index): Opening => ({
      id: kind,
      kind,
      wall: on(index),
      from: 'start',
      to: 'near',
      at: '60in',
      width: '36in',
      height: kind === 'door' || kind === 'garage' ? '80in' : '36in',
      ...(kind === 'door' ? { threshold: { kind: 'slab-over', depth: '4in', tongue: 'dowels' } } : {}),
      ...(kind === 'garage' ? { threshold: { kind: 'slab-inside' } } : {}),
      ...(kind === 'door' || kind === 'garage' ? {} : { sill: '40in' }),
    })),
    inserts: INSERT_KINDS.map((kind, index): Insert => ({
      id: kind,
      kind,
      wall: on(index),
      from: 'end',
      at: '40in',
      up: '30in',
      ...(/ledge|hangers/.test(kind) ? { length: '60in' } : {}),
    })),
    edges: { all: { height: '6in', over: 'both' } },
    pours: [
      { id: 'a', toCourse: 4, top: 'half' },
      { id: 'b', toCourse: 8, top: 'full' },
    ],
  };
  /** Every choice of the house rules at its first value, at its second, and so on. */
  const ruled = [0, 1, 2, 3, 4, 5].map((nth): Plan => ({
    ...everything,
    rules: Object.fromEntries(
      Object.values(RULES).flatMap((rule) =>
        rule.type === 'choice'
          ? [[rule.id, rule.choices[Math.min(nth, rule.choices.length - 1)]?.value ?? '']]
          : [],
      ),
    ),
  }));
  const founded = (['forms', 'rock'] as const).map((kind): Plan => ({
    ...everything,
    footing: { ...everything.footing, kind },
  }));
  const stacked = FAMILIES.slice(1).map(({ id, cores: [core = inches(6)] }): Plan => ({
    ...everything,
    family: id,
    core: storeLength(core, 'imperial'),
  }));
  // Where a wall ends with the first pour.
  const lower: Plan = {
    ...everything,
    loops: everything.loops.map((loop) => ({
      ...loop,
      walk: loop.walk.map((row, index) => (index === 0 ? { ...row, top: '3 courses' } : row)),
    })),
  };
  /** Small words of English that stand in no Spanish or French sentence. */
  const ENGLISH = /\b(the|and|with|each|both|of|from|over|under|for|wide|inspected)\b/;

  it.each(['es', 'fr'] as const)('are said whole, %s', (language) => {
    const left = new Set<string>();
    // Each language has every second of them, and that with a lower wall.
    const own = [...ruled, ...founded, ...stacked].filter(
      (_, index) => index % 2 === (language === 'es' ? 0 : 1),
    );
    for (const plan of [...own, lower]) {
      const reading = readChoice(
        new URLSearchParams({ language, sheets: 'holds,order,bracing,bucks,days,hose,watch,footing' }),
        'letter',
      );
      if (!reading.ok) throw new Error(reading.what);
      const words = wordsOf(language, (phrase) => left.add(phrase));
      const say = (phrase: string): string => {
        const said = words.say(phrase);
        if (ENGLISH.test(said)) left.add(`${phrase} → ${said}`);
        return said;
      };
      packetDocument({
        job: { ...demo, plan, worked: work(plan) },
        choice: reading.choice,
        words: { ...words, say },
        origin: ORIGIN,
      });
    }
    const names = FAMILIES.map(({ name }) => name);
    expect([...left].filter((phrase) => !names.includes(phrase))).toEqual([]);
  });
});

it('speaks Spanish and French, with their numbers and dates', async () => {
  const spanish = await packet({ language: 'es', sheets: 'holds,order' });
  expect(spanish.language).toBe('es-US');
  expect(spanish.pages[0]).toContain('Carpeta 1 de 1');
  expect(spanish.pages.join(' ')).toContain('Zapata inspeccionada');
  const french = await packet({ language: 'fr', sheets: 'order' });
  expect(french.pages.join(' ')).toMatch(/\d,\d\d yd³/);
});

describe('what it is made from', () => {
  it('has the same blanks in every language', () => {
    interface Part {
      readonly type: number;
      readonly value?: string;
      readonly options?: Readonly<Record<string, { readonly value: readonly Part[] }>>;
    }
    // 0 is plain text and 7 the number of a plural: neither is a blank.
    const named = (parts: readonly Part[]): readonly string[] =>
      parts.flatMap(({ type, value = '', options = {} }) => [
        ...(type === 0 || type === 7 ? [] : [value]),
        ...Object.values(options).flatMap((option) => named(option.value)),
      ]);
    const blanks = (text: string) =>
      named(new IntlMessageFormat(text).getAst() as unknown as readonly Part[]);
    for (const [key, english] of Object.entries(en)) {
      for (const other of [es, fr]) {
        const said = other[key as keyof typeof en];
        expect(new Set(blanks(said)), `${key}: ${said}`).toEqual(new Set(blanks(english)));
      }
    }
  });

  it('takes the closest term, says what stands in its blanks, and leaves what it does not know', () => {
    expect(sayIn('es', 'Foam, 13″ wide, lengths of 8′')).toBe('Espuma, 13″ de ancho, largos de 8′');
    expect(sayIn('fr', 'Bucks · Cellar')).toBe('Cadres · Cellar');
    expect(sayIn('fr', 'Bars inspected · Cellar')).toBe('Barres inspectées · Cellar');
    expect(sayIn('es', 'Form scraps and a liner taken out, 8″ wide, lengths of 4′')).toBe(
      'Retazos de molde y forro que se retira, 8″ de ancho, largos de 4′',
    );
    expect(sayIn('fr', 'A–B: 1 weak place boarded on both faces.')).toContain('1 point faible');
    expect(sayIn('es', 'Grandmother’s shed')).toBe('Grandmother’s shed');
    expect(sayIn('es', '12')).toBe('12');
  });

  it('refuses a table with a hole in it', () => {
    expect(() => readTerms('| Bars {size} | Varillas {largo} | Barres {size} |')).toThrow('Bars {size}');
    expect(() => readTerms('| Bars | | Barres |')).toThrow('Bars');
    expect(readTerms('# no table').whole.size).toBe(0);
  });

  it('sets every sign in a font that has it', () => {
    expect(runs('Été 5 1/2″')).toBe('Été 5 1/2″');
    expect(runs('Łódź')).toEqual([
      { text: 'Ł', font: 'Barlow More' },
      { text: 'ód' },
      { text: 'ź', font: 'Barlow More' },
    ]);
    expect(runs('砖\n=')).toBe('? =');
  });

  it('reads back what it writes, and says what it cannot make', () => {
    for (const { sheets } of ROLES) {
      const choice = { sheets, language: 'fr', paper: 'a4', black: true } as const;
      const back = readChoice(new URLSearchParams(writeChoice(choice)), 'letter');
      expect(back.ok && new Set(back.choice.sheets)).toEqual(new Set(sheets));
      expect(back).toMatchObject({ ok: true, choice: { language: 'fr', paper: 'a4', black: true } });
    }
    for (const [asked, where] of [
      ['sheets=roof', 'sheets'],
      ['roles=owner', 'roles'],
      ['language=de', 'language'],
      ['paper=napkin', 'paper'],
    ] as const) {
      expect(readChoice(new URLSearchParams(asked), 'letter')).toMatchObject({ ok: false, where });
    }
  });

  it('makes a packet of a job with nothing in it', async () => {
    const plan = emptyPlan('Only a name');
    const read = await packet({}, { ...demo, plan, worked: work(plan) });
    expect(read.pages.length).toBeGreaterThanOrEqual(PACKET_SHEETS.length);
    expect(read.pages.join(' ')).toContain('Finish the outline first');
  });

  it('says of walls that cannot be laid that they cannot, and not that they are missing', async () => {
    // Two walls are shorter than the corners at their ends.
    const plan = planOf([
      [312, 90],
      [63, 90],
      [312, 90],
      [63, 90],
    ]);
    const read = await packet({}, { ...demo, plan, worked: work(plan) });
    const said = read.pages.join(' ');
    expect(said).toContain('Clear the stop notices first');
    expect(said).not.toContain('Finish the outline first');
  });
});
