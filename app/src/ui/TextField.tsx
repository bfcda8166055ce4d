import { useState } from 'react';

interface TextFieldProps {
  readonly label: string;
  readonly text: string;
  readonly placeholder?: string;
  readonly wrong?: boolean;
  readonly onType: (text: string) => void;
  readonly onLeave: () => void;
}

/** A short text kept as typed until the field is left. */
export function TextField({ label, text, placeholder, wrong = false, onType, onLeave }: TextFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  return (
    <input
      className="field figures text-lg"
      aria-label={label}
      aria-invalid={wrong}
      autoComplete="off"
      spellCheck={false}
      maxLength={60}
      placeholder={placeholder}
      value={draft ?? text}
      onChange={(event) => {
        setDraft(event.currentTarget.value);
        onType(event.currentTarget.value);
      }}
      onBlur={() => {
        setDraft(null);
        onLeave();
      }}
    />
  );
}
