import { RULES } from '@ombra/core/rules';
import {
  type ExplainedLine,
  type ExplainedTerm,
  type Figure,
  type PieceSelector,
  explainLine,
  showQuantity,
} from '@ombra/core/kernel/figures';
import type { UnitSystem } from '@ombra/core/kernel/measure';
import { type HouseRules, sourceText, stateRule } from '@ombra/core/kernel/rules';
import { X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useOpenRule } from '../openRule';
import { BEFORE, SIGNS } from './signs';

interface WhyCardProps {
  readonly figure: Figure;
  readonly units: UnitSystem;
  readonly rules: HouseRules;
  readonly onClose: () => void;
  /** Lights fewer pieces while a term is pointed at; null lights the whole figure again. */
  readonly onPoint?: (pieces: PieceSelector | null) => void;
}

const nothing = (): void => undefined;

interface TermProps {
  readonly term: ExplainedTerm;
  readonly narrow: PieceSelector;
  readonly onPoint: NonNullable<WhyCardProps['onPoint']>;
}

/** One term: its name and value; a term that was worked out in turn opens to its own line. */
function Term({ term, narrow, onPoint }: TermProps) {
  const [open, setOpen] = useState(false);
  const pieces = term.pieces ? { ...narrow, ...term.pieces } : null;
  const point = {
    onMouseEnter: () => {
      if (pieces) onPoint(pieces);
    },
    onMouseLeave: () => {
      onPoint(null);
    },
    onFocus: () => {
      if (pieces) onPoint(pieces);
    },
    onBlur: () => {
      onPoint(null);
    },
  };
  const words = (
    <>
      <span className="text-quiet">{term.name}</span> <span className="font-semibold">{term.value}</span>
    </>
  );
  return (
    <span className="inline-block align-top">
      {term.line ? (
        <button
          type="button"
          className="min-h-0! min-w-0! underline decoration-dotted underline-offset-3"
          aria-expanded={open}
          onClick={() => {
            setOpen(!open);
          }}
          {...point}
        >
          {words}
        </button>
      ) : (
        <span {...point}>{words}</span>
      )}
      {term.note !== undefined && <span className="block text-sm text-quiet">{term.note}</span>}
      {open && term.line && (
        <span className="mt-1 mb-1 block border-l-2 border-chalk pl-2 text-[15px]">
          <Line line={term.line} narrow={pieces ?? narrow} onPoint={onPoint} />
        </span>
      )}
    </span>
  );
}

/** A line of arithmetic with its numbers filled in, and its result. */
function Line({ line, narrow, onPoint }: { readonly line: ExplainedLine } & Omit<TermProps, 'term'>) {
  if (line.terms.length === 0) return <span className="text-quiet">none = {line.result}</span>;
  return (
    <span>
      {line.terms.map((term, index) => (
        <span key={`${term.name}:${String(index)}`}>
          {index > 0 && <span className="font-semibold">{` ${SIGNS[line.op]} `}</span>}
          {index === 0 && <span className="text-quiet">{BEFORE[line.op]}</span>}
          <Term term={term} narrow={narrow} onPoint={onPoint} />
        </span>
      ))}
      <span className="font-semibold">{` = ${line.result}`}</span>
    </span>
  );
}

/** What opens from any figure: its arithmetic with the numbers filled in, and the rules behind it with their sources. */
export function WhyCard({ figure, units, rules, onClose, onPoint = nothing }: WhyCardProps) {
  const line = explainLine(figure.how, units);
  const card = useRef<HTMLElement>(null);
  const openRule = useOpenRule();
  useEffect(() => {
    card.current?.scrollIntoView({ block: 'nearest' });
  }, [figure.id]);
  return (
    <section ref={card} aria-label={`Why: ${figure.title}`} className="lifted p-3">
      <div className="flex items-start justify-between gap-3">
        <h2 className="text-lg font-semibold">
          {figure.title}: {showQuantity(figure.value, figure.unit, units)}
        </h2>
        <button type="button" className="button plain px-1.5" aria-label="Close this card" onClick={onClose}>
          <X aria-hidden="true" size={16} />
        </button>
      </div>
      {line && (
        <p className="figures mt-1 text-[17px]">
          <Line line={line} narrow={figure.pieces} onPoint={onPoint} />
        </p>
      )}
      {figure.rules.length > 0 && (
        <ul className="mt-2 text-sm text-quiet">
          {figure.rules.map((id) => (
            <li key={id}>
              <button
                type="button"
                className="min-h-6! text-left underline decoration-dotted underline-offset-3"
                onClick={() => {
                  openRule(id);
                }}
              >
                {stateRule(id, rules, units)}
              </button>{' '}
              <span className="italic">{sourceText(RULES[id].source)}</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
