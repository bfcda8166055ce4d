/** Languages of the packet. */
export const LANGUAGES = ['en', 'es', 'fr'] as const;
export type Language = (typeof LANGUAGES)[number];
export const LANGUAGE_NAMES: Readonly<Record<Language, string>> = {
  en: 'English',
  es: 'Español',
  fr: 'Français',
};

export const PAPERS = ['letter', 'a4'] as const;
export type Paper = (typeof PAPERS)[number];
export const PAPER_NAMES: Readonly<Record<Paper, string>> = { letter: 'Letter', a4: 'A4' };

/** The sheets of the packet in its order, with where on the screen each belongs. */
export const PACKET_SHEETS = [
  { id: 'outline', name: 'Outline and walls', stage: 'outline' },
  { id: 'footing', name: 'Footing and chalk lines', stage: 'footing' },
  { id: 'courses', name: 'Courses, a page each', stage: 'courses' },
  { id: 'cards', name: 'Wall cards, read at 10 ft', stage: 'courses' },
  { id: 'steel', name: 'Steel by course', stage: 'steel' },
  { id: 'shop', name: 'Bar shop', stage: 'steel' },
  { id: 'bucks', name: 'Openings and bucks', stage: 'openings' },
  { id: 'bracing', name: 'Braces and planks', stage: 'bracing' },
  { id: 'hose', name: 'Pour card', stage: 'pour' },
  { id: 'watch', name: 'Watchers’ card', stage: 'pour' },
  { id: 'trouble', name: 'Trouble cards', stage: 'pour' },
  { id: 'order', name: 'Order and tally', stage: 'courses' },
  { id: 'days', name: 'Days', stage: 'days' },
  { id: 'holds', name: 'Hold points to sign', stage: 'days' },
] as const;
export type PacketSheet = (typeof PACKET_SHEETS)[number]['id'];

/** Who is handed what. */
export const ROLES = [
  { id: 'layout', name: 'Lay out', sheets: ['outline', 'footing'] },
  { id: 'stack', name: 'Stack', sheets: ['outline', 'courses', 'cards'] },
  { id: 'bars', name: 'Bend and set bars', sheets: ['steel', 'shop'] },
  { id: 'bucks', name: 'Bucks', sheets: ['bucks'] },
  { id: 'brace', name: 'Brace', sheets: ['bracing'] },
  { id: 'hose', name: 'Hose', sheets: ['hose', 'trouble'] },
  { id: 'watchers', name: 'Watchers', sheets: ['watch', 'trouble'] },
  { id: 'office', name: 'Office', sheets: ['outline', 'order', 'days', 'holds'] },
  { id: 'inspector', name: 'Inspector', sheets: ['outline', 'steel', 'bracing', 'holds'] },
] as const satisfies readonly {
  readonly id: string;
  readonly name: string;
  readonly sheets: readonly PacketSheet[];
}[];

/** What a packet is made of and how. */
export interface PacketChoice {
  readonly sheets: readonly PacketSheet[];
  readonly language: Language;
  readonly paper: Paper;
  /** Black ink alone. */
  readonly black: boolean;
}

type ChoiceReading =
  | { readonly ok: true; readonly choice: PacketChoice }
  | { readonly ok: false; readonly where: string; readonly what: string };

const ALL: readonly PacketSheet[] = PACKET_SHEETS.map(({ id }) => id);

/** The address part that asks for a packet; what is as usual is left out. */
export function writeChoice({ sheets, language, paper, black }: PacketChoice): string {
  const asked = new URLSearchParams();
  if (sheets.length < ALL.length) asked.set('sheets', sheets.join(','));
  asked.set('language', language);
  asked.set('paper', paper);
  if (black) asked.set('ink', 'black');
  return asked.toString();
}

/** A packet as its address asks for it: sheets or roles, language, paper, ink. Everything where nothing is asked for. */
export function readChoice(asked: URLSearchParams, usual: Paper): ChoiceReading {
  const list = (name: string): readonly string[] =>
    (asked.get(name) ?? '').split(',').filter((each) => each !== '');
  const [sheets, roles] = [list('sheets'), list('roles')];
  const strangeSheet = sheets.find((each) => !ALL.some((id) => id === each));
  if (strangeSheet !== undefined) {
    return {
      ok: false,
      where: 'sheets',
      what: `There is no sheet “${strangeSheet.slice(0, 40)}”; there are ${ALL.join(', ')}.`,
    };
  }
  const strangeRole = roles.find((each) => !ROLES.some(({ id }) => id === each));
  if (strangeRole !== undefined) {
    return {
      ok: false,
      where: 'roles',
      what: `There is no role “${strangeRole.slice(0, 40)}”; there are ${ROLES.map(({ id }) => id).join(', ')}.`,
    };
  }
  const language = asked.get('language') ?? 'en';
  const paper = asked.get('paper') ?? usual;
  if (!LANGUAGES.some((each) => each === language)) {
    return { ok: false, where: 'language', what: `Choose one of ${LANGUAGES.join(', ')}.` };
  }
  if (!PAPERS.some((each) => each === paper)) {
    return { ok: false, where: 'paper', what: `Choose one of ${PAPERS.join(', ')}.` };
  }
  const wanted = new Set<string>([
    ...sheets,
    ...ROLES.filter(({ id }) => roles.includes(id)).flatMap((role): readonly string[] => role.sheets),
  ]);
  return {
    ok: true,
    choice: {
      sheets: wanted.size === 0 ? ALL : ALL.filter((id) => wanted.has(id)),
      language: language as Language,
      paper: paper as Paper,
      black: asked.get('ink') === 'black',
    },
  };
}
