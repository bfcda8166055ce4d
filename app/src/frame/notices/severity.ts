import { type Severity, SEVERITIES } from '@ombra/core/kernel/notices';
import { CircleAlert, Lightbulb, OctagonX } from 'lucide-react';

/** How a severity looks: a word, a shape and a colour, never the colour alone. */
export const SEVERITY_LOOKS: Readonly<
  Record<Severity, { readonly word: string; readonly colour: string; readonly Icon: typeof OctagonX }>
> = {
  stop: { word: 'Stop', colour: 'text-stop', Icon: OctagonX },
  check: { word: 'Check', colour: 'text-check', Icon: CircleAlert },
  tip: { word: 'Tip', colour: 'text-tip', Icon: Lightbulb },
};

/** `2 stops`. */
export const countOf = (count: number, severity: Severity): string =>
  `${String(count)} ${severity}${count === 1 ? '' : 's'}`;

/** `2 stops · 1 check`. */
export const countText = (severities: readonly Severity[]): string =>
  SEVERITIES.flatMap((severity) => {
    const count = severities.filter((each) => each === severity).length;
    return count === 0 ? [] : [countOf(count, severity)];
  }).join(' · ');
