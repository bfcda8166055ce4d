import { useState } from 'react';

interface NumberFieldProps {
  readonly label: string;
  readonly value: number | null;
  readonly placeholder?: string;
  readonly least: number;
  readonly most: number;
  /** Whole numbers only. */
  readonly whole?: boolean;
  readonly onSet: (value: number | null) => void;
  readonly onLeave?: () => void;
}

/** A number typed in, or nothing; what cannot be taken is said beside it and changes nothing. */
export function NumberField(props: NumberFieldProps) {
  const { label, value, placeholder, least, most, whole = false, onSet, onLeave } = props;
  const [draft, setDraft] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  return (
    <label className="relative block">
      <span className="heading mb-0.5 block">{label}</span>
      <input
        className="field figures text-lg"
        inputMode="decimal"
        maxLength={8}
        placeholder={placeholder}
        aria-invalid={wrong}
        value={draft ?? (value === null ? '' : String(value))}
        onChange={(event) => {
          const text = event.currentTarget.value;
          setDraft(text);
          const number = Number(text.trim().replace(',', '.'));
          const fits = Number.isFinite(number) && number >= least && number <= most;
          if (text.trim() === '') onSet(null);
          else if (fits && (!whole || Number.isInteger(number))) onSet(number);
          else {
            setWrong(true);
            return;
          }
          setWrong(false);
        }}
        onBlur={() => {
          setDraft(null);
          setWrong(false);
          onLeave?.();
        }}
      />
      {wrong && (
        <span
          role="alert"
          className="lifted absolute top-full left-0 z-20 mt-0.5 w-max max-w-72 p-1.5 text-sm text-stop"
        >
          {whole ? 'A whole number' : 'A number'} from {least} to {most}.
        </span>
      )}
    </label>
  );
}
