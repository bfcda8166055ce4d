import { IntlMessageFormat } from 'intl-messageformat';
import type { Language } from '../../stages/packet/choice';
import { type MessageKey, type Messages, en } from './messages/en';
import { es } from './messages/es';
import { fr } from './messages/fr';
import { sayIn } from './terms';

const CATALOGUES: Readonly<Record<Language, Messages>> = { en, es, fr };
/** Numbers and dates as they are written there. */
const LOCALES: Readonly<Record<Language, string>> = { en: 'en-US', es: 'es-US', fr: 'fr-CA' };

export interface Words {
  readonly language: Language;
  /** The language tag of the document. */
  readonly locale: string;
  readonly t: (key: MessageKey, values?: Readonly<Record<string, string | number>>) => string;
  /** A phrase of the core in this language. */
  readonly say: (phrase: string) => string;
  readonly number: (value: number, decimals: number) => string;
  readonly date: (iso: string) => string;
}

/** The words of a language. @param missed told of every phrase of the core that the table of terms lacks */
export function wordsOf(language: Language, missed?: (phrase: string) => void): Words {
  const locale = LOCALES[language];
  const made = new Map<MessageKey, IntlMessageFormat>();
  return {
    language,
    locale,
    t: (key, values) => {
      const message = made.get(key) ?? new IntlMessageFormat(CATALOGUES[language][key], locale);
      made.set(key, message);
      return String(message.format(values ? { ...values } : undefined));
    },
    say: (phrase) => sayIn(language, phrase, missed),
    number: (value, decimals) =>
      new Intl.NumberFormat(locale, {
        minimumFractionDigits: decimals,
        maximumFractionDigits: decimals,
      }).format(value),
    date: (iso) =>
      new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeZone: 'UTC' }).format(new Date(iso)),
  };
}
