import { IntlMessageFormat } from 'intl-messageformat';
import { type ReactNode, createContext, useContext, useEffect, useMemo, useState } from 'react';
import { device } from '../../../remembered';
import { type Language, LANGUAGES } from '../../packet/choice';

type Values = Readonly<Record<string, string | number>>;

/** Speaks to the crew in their language: a phrase by its English, blanks filled. */
export interface Say {
  (phrase: string, values?: Values): string;
  /** The same with what stands between `<b>` and `</b>` in bold. */
  readonly rich: (phrase: string, values?: Values) => ReactNode;
}

const LOCALES: Readonly<Record<Language, string>> = { en: 'en-US', es: 'es-US', fr: 'fr-CA' };

/** Phrases as they are looked up in a language's terms, in English where the table has none. */
export function sayOf(language: Language, terms: Readonly<Record<string, string>>): Say {
  const made = new Map<string, IntlMessageFormat>();
  const messageOf = (phrase: string): IntlMessageFormat => {
    const message = made.get(phrase) ?? new IntlMessageFormat(terms[phrase] ?? phrase, LOCALES[language]);
    made.set(phrase, message);
    return message;
  };
  const say = (phrase: string, values?: Values): string =>
    values === undefined ? (terms[phrase] ?? phrase) : String(messageOf(phrase).format(values));
  const rich = (phrase: string, values?: Values): ReactNode =>
    messageOf(phrase).format<ReactNode>({
      ...values,
      // One bold part at most in a phrase.
      b: (parts) => <strong key="bold">{parts}</strong>,
    });
  return Object.assign(say, { rich });
}

const SayContext = createContext<Say>(sayOf('en', {}));
export const useSay = (): Say => useContext(SayContext);

const KEPT = 'ombra.board.language';

const keptLanguage = (): Language => {
  const kept = device.get(KEPT);
  return LANGUAGES.find((each) => each === kept) ?? 'en';
};

/** The board's language, kept on this device; its terms are fetched when it is chosen, and it goes on in English without them. */
export function useLanguage() {
  const [language, setLanguage] = useState(keptLanguage);
  const [fetched, setFetched] = useState<{
    readonly language: Language;
    readonly terms: Readonly<Record<string, string>>;
  } | null>(null);
  useEffect(() => {
    const visit = { over: false };
    if (language !== 'en') {
      void fetch(`/api/terms?language=${language}`)
        .then(async (response) => (await response.json()) as { terms?: Readonly<Record<string, string>> })
        .then((answer) => {
          if (!visit.over) setFetched({ language, terms: answer.terms ?? {} });
        })
        // Without a signal the board speaks English: it must not stop.
        .catch(() => undefined);
    }
    return () => {
      visit.over = true;
    };
  }, [language]);
  const terms = fetched?.language === language ? fetched.terms : null;
  const say = useMemo(() => (terms ? sayOf(language, terms) : sayOf('en', {})), [language, terms]);
  return {
    language,
    say,
    choose: (next: Language): void => {
      device.set(KEPT, next);
      setLanguage(next);
    },
  };
}

export const SayIn = SayContext.Provider;
