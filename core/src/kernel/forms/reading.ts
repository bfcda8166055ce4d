import type { z } from 'zod';

/** One thing wrong with a document: where it stands in the file and what to do about it. */
export interface DocumentProblem {
  readonly where: string;
  readonly what: string;
}

/** `outline.walk[2].length` */
function place(path: readonly PropertyKey[], whole: string): string {
  const text = path
    .map((step) => (typeof step === 'number' ? `[${String(step)}]` : `.${String(step)}`))
    .join('')
    .replace(/^\./, '');
  return text === '' ? whole : text;
}

function sentence(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'unrecognized_keys':
      return `Ombra does not know ${issue.keys.map((key) => `“${key}”`).join(', ')} here; take it out or check its spelling.`;
    case 'invalid_type':
      return issue.input === undefined && issue.expected !== 'never'
        ? `This is missing or not a ${issue.expected}; write a ${issue.expected} here.`
        : `This must be ${/^[aeiou]/.test(issue.expected) ? 'an' : 'a'} ${issue.expected}.`;
    case 'invalid_value':
      return `This must be ${issue.values.map((value) => `“${String(value)}”`).join(' or ')}.`;
    case 'too_big':
      return `This is too long; at most ${String(issue.maximum)} fit here.`;
    case 'too_small':
      return `This is too short; at least ${String(issue.minimum)} must stand here.`;
    default:
      return 'This does not have the form that the file wants here.';
  }
}

/** A schema's complaints in plain sentences, at most twenty of them. */
export const problemsOf = (error: z.ZodError, whole: string): readonly DocumentProblem[] =>
  error.issues.slice(0, 20).map((issue) => ({ where: place(issue.path, whole), what: sentence(issue) }));

export const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
