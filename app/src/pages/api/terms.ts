import type { APIRoute } from 'astro';
import { json, only, refuse } from '../../server/answers';
import { termsOf } from '../../server/packet/terms';
import { LANGUAGES, type Language } from '../../stages/packet/choice';

/** The terms of the trade in a language, by their English. */
export const GET: APIRoute = ({ url }) => {
  const language = url.searchParams.get('language') ?? '';
  if (!LANGUAGES.some((each) => each === language)) {
    return refuse(422, { where: 'language', what: `Choose one of ${LANGUAGES.join(', ')}.` });
  }
  return json({ terms: termsOf(language as Language) });
};

export const ALL = only('GET');
