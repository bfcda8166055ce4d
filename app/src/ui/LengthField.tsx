import {
  type Length,
  type UnitSystem,
  type Usual,
  ZERO,
  askBack,
  readLength,
  showLength,
  storeLength,
} from '@ombra/core/kernel/measure';
import { type KeyboardEvent, useId, useLayoutEffect, useRef, useState } from 'react';

interface LengthFieldProps {
  readonly label: string;
  /** The plan's own text: a stored length, or what was typed where that cannot be read. */
  readonly text: string;
  readonly units: UnitSystem;
  /** What is usual here: a bare number far out of it is asked back. */
  readonly usual: Usual;
  /** Height of a number of courses, in fields that accept `2 courses`. */
  readonly ofCourses?: (count: number) => Length | null;
  readonly placeholder?: string;
  readonly onType: (text: string) => void;
  readonly onLeave?: () => void;
  readonly onKeyDown?: (event: KeyboardEvent<HTMLInputElement>) => void;
  readonly inputRef?: (element: HTMLInputElement | null) => void;
}

/** What stands in an untouched field: rounded for reading, unless editing it would then lose something. */
function shown(text: string, units: UnitSystem, exact: boolean): string {
  const reading = readLength(text, units);
  if (!reading.ok) return text;
  const rounded = showLength(reading.length, units);
  const back = readLength(rounded, units);
  return exact && !(back.ok && back.length === reading.length) ? text : rounded;
}

/** Buttons for the readings of an ambiguous length. */
function Readings({
  readings,
  units,
  onChoose,
}: {
  readonly readings: readonly Length[];
  readonly units: UnitSystem;
  readonly onChoose: (length: Length) => void;
}) {
  return (
    <p className="mt-1 flex gap-2">
      {readings.map((length) => (
        <button
          key={length}
          type="button"
          className="button figures"
          // The field must not lose focus first: its text would be put away before the choice is made.
          onPointerDown={(event) => {
            event.preventDefault();
          }}
          onClick={() => {
            onChoose(length);
          }}
        >
          {showLength(length, units)}
        </button>
      ))}
    </p>
  );
}

/** A length given in courses; null for any other text. */
function coursesIn(text: string, ofCourses: LengthFieldProps['ofCourses']): Length | null {
  const count = /^\s*(\d{1,2})\s*courses?\s*$/i.exec(text)?.[1];
  return count === undefined || !ofCourses ? null : ofCourses(Number(count));
}

/**
 * A length in any notation of the field. What was understood stands beside it while typing; what can be read in two ways, and a bare
 * number that is far out of what is usual here, is asked back until somebody answers or types something else. An untouched field is
 * never written.
 */
export function LengthField(props: LengthFieldProps) {
  const { label, text, units, usual, ofCourses, placeholder, onType, onLeave, onKeyDown, inputRef } = props;
  const [draft, setDraft] = useState<string | null>(null);
  const hintId = useId();
  const field = useRef<HTMLInputElement | null>(null);
  /** Set by focus until the field's text has settled: it is then selected as a whole. */
  const selecting = useRef(false);
  // In the same breath as the focus. A frame later the first digit would have been typed, and be selected with the rest.
  useLayoutEffect(() => {
    if (!selecting.current) return;
    selecting.current = false;
    field.current?.select();
  }, [draft]);
  /** The bare number that is being asked back, also once the field is left. */
  const [asked, setAsked] = useState<string | null>(null);
  const counted = coursesIn(draft ?? text, ofCourses);
  const read = readLength(draft ?? text, units);
  const reading = counted === null ? read : { ok: true as const, length: counted };
  // Undone or changed elsewhere, it is no longer the question.
  const own = asked === null ? null : readLength(asked, units);
  const typed = own?.ok && read.ok && own.length === read.length ? own.length : null;
  const meant = asked === null || typed === null ? null : askBack(asked, units, usual);
  const other: UnitSystem = units === 'imperial' ? 'metric' : 'imperial';
  const wrong = !reading.ok && reading.problem !== 'empty';
  const choose = (length: Length): void => {
    setDraft(null);
    setAsked(null);
    onType(storeLength(length, units));
  };
  return (
    <div
      className="relative"
      onBlur={(event) => {
        // Going on to one of the readings below does not leave the field.
        if (event.currentTarget.contains(event.relatedTarget)) return;
        setDraft(null);
        onLeave?.();
      }}
    >
      <input
        ref={(element) => {
          field.current = element;
          inputRef?.(element);
        }}
        className="field figures text-lg"
        aria-label={label}
        aria-invalid={wrong}
        aria-describedby={hintId}
        inputMode="text"
        autoComplete="off"
        spellCheck={false}
        maxLength={60}
        placeholder={placeholder}
        value={draft ?? shown(text, units, false)}
        onFocus={(event) => {
          selecting.current = true;
          setDraft(shown(text, units, true));
          event.currentTarget.select();
        }}
        onPointerDown={(event) => {
          // The press that brings the focus would put the caret where it fell, and take the selection off.
          if (document.activeElement === event.currentTarget) return;
          event.preventDefault();
          event.currentTarget.focus();
        }}
        onChange={(event) => {
          const typed = event.currentTarget.value;
          setDraft(typed);
          setAsked(askBack(typed, units, usual) ? typed : null);
          onType(typed);
        }}
        onKeyDown={onKeyDown}
      />
      {/* Lies over what is below: a hint that pushed the page about would make the next press miss its button. */}
      <div
        id={hintId}
        className={
          draft === null && !meant ? 'sr-only' : 'absolute top-full left-0 z-20 mt-0.5 w-max max-w-72'
        }
      >
        {draft !== null && reading.ok && !meant && (
          <span className="figures border border-line bg-sheet px-1.5 text-sm text-quiet">
            = {showLength(reading.length, units)} · {showLength(reading.length, other)}
          </span>
        )}
        {meant && (
          <div className="lifted p-1.5 text-sm">
            <p className="text-stop">
              {asked} has no unit, and {showLength(typed ?? ZERO, units)} is unusual here. Choose what you
              mean.
            </p>
            <Readings readings={meant} units={units} onChoose={choose} />
          </div>
        )}
        {wrong && (
          <div className="lifted p-1.5 text-sm">
            <p className="text-stop">{reading.message}</p>
            {draft !== null && reading.problem === 'ambiguous' && (
              <Readings readings={reading.readings} units={units} onChoose={choose} />
            )}
          </div>
        )}
      </div>
    </div>
  );
}
