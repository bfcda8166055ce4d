import { type UnitSystem, readLength, showLength, storeLength } from '@ombra/core/measure';
import { type KeyboardEvent, type Ref, useId, useState } from 'react';

interface LengthFieldProps {
  readonly label: string;
  /** The plan's own text: a stored length, or what was typed where that cannot be read. */
  readonly text: string;
  readonly units: UnitSystem;
  readonly onType: (text: string) => void;
  readonly onLeave?: () => void;
  readonly onKeyDown?: (event: KeyboardEvent<HTMLInputElement>) => void;
  readonly inputRef?: Ref<HTMLInputElement>;
}

/** What stands in an untouched field: rounded for reading, unless editing it would then lose something. */
function shown(text: string, units: UnitSystem, exact: boolean): string {
  const reading = readLength(text, units);
  if (!reading.ok) return text;
  const rounded = showLength(reading.length, units);
  const back = readLength(rounded, units);
  return exact && !(back.ok && back.length === reading.length) ? text : rounded;
}

/**
 * A length in any notation of the field. What was understood stands beside it while typing; what can be read in two ways
 * is asked back. An untouched field is never written.
 */
export function LengthField({ label, text, units, onType, onLeave, onKeyDown, inputRef }: LengthFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const hintId = useId();
  const reading = readLength(draft ?? text, units);
  const other: UnitSystem = units === 'imperial' ? 'metric' : 'imperial';
  const wrong = !reading.ok && reading.problem !== 'empty';
  const choose = (stored: string): void => {
    setDraft(null);
    onType(stored);
  };
  return (
    <div>
      <input
        ref={inputRef}
        className="field figures text-lg"
        aria-label={label}
        aria-invalid={wrong}
        aria-describedby={hintId}
        inputMode="text"
        autoComplete="off"
        spellCheck={false}
        maxLength={60}
        value={draft ?? shown(text, units, false)}
        onFocus={(event) => {
          setDraft(shown(text, units, true));
          const input = event.currentTarget;
          requestAnimationFrame(() => {
            input.select();
          });
        }}
        onChange={(event) => {
          setDraft(event.currentTarget.value);
          onType(event.currentTarget.value);
        }}
        onBlur={() => {
          setDraft(null);
          onLeave?.();
        }}
        onKeyDown={onKeyDown}
      />
      <div id={hintId} className="min-h-0 text-sm text-quiet">
        {draft !== null && reading.ok && (
          <span className="figures">
            = {showLength(reading.length, units)} · {showLength(reading.length, other)}
          </span>
        )}
        {wrong && <span className="text-stop">{reading.message}</span>}
      </div>
      {!reading.ok && reading.problem === 'ambiguous' && (
        <div className="mt-1 flex gap-2">
          {reading.readings.map((length) => (
            <button
              key={length}
              type="button"
              className="button figures"
              // The field must not lose focus first: its text would be put away before the choice is made.
              onPointerDown={(event) => {
                event.preventDefault();
              }}
              onClick={() => {
                choose(storeLength(length, units));
              }}
            >
              {showLength(length, units)}
            </button>
          ))}
        </div>
      )}
    </div>
  );
}
