import type { ReactNode } from 'react';

/** A field under its name. */
const Field = ({
  label,
  children,
  wide = false,
}: {
  readonly label: string;
  readonly children: ReactNode;
  readonly wide?: boolean;
}) => (
  <label className={`block ${wide ? 'col-span-full' : ''}`}>
    <span className="heading mb-0.5 block">{label}</span>
    {children}
  </label>
);

interface LineProps {
  readonly label: string;
  readonly text: string;
  readonly onType: (text: string) => void;
  readonly placeholder?: string;
  readonly wide?: boolean;
  readonly most?: number;
  readonly list?: string;
}

/** A line of text. */
export const LineField = ({
  label,
  text,
  onType,
  placeholder,
  wide = false,
  most = 200,
  list,
}: LineProps) => (
  <Field label={label} wide={wide}>
    <input
      className="field"
      autoComplete="off"
      maxLength={most}
      placeholder={placeholder}
      list={list}
      value={text}
      onChange={(event) => {
        onType(event.currentTarget.value);
      }}
    />
  </Field>
);

/** A text of several lines. */
export const TextArea = ({ label, text, onType }: Pick<LineProps, 'label' | 'text' | 'onType'>) => (
  <Field label={label} wide>
    <textarea
      className="field"
      rows={3}
      maxLength={4000}
      value={text}
      onChange={(event) => {
        onType(event.currentTarget.value);
      }}
    />
  </Field>
);

/** A day of the calendar. */
export const DayField = ({ day, onDay }: { readonly day: string; readonly onDay: (day: string) => void }) => (
  <Field label="Day">
    <input
      type="date"
      className="field figures"
      required
      value={day}
      onChange={(event) => {
        onDay(event.currentTarget.value);
      }}
    />
  </Field>
);

interface SelectProps<Value extends string> {
  readonly label: string;
  readonly value: Value;
  readonly options: readonly (readonly [value: Value, label: string])[];
  readonly onChoose: (value: Value) => void;
}

/** One of several. */
export const SelectField = <Value extends string>({
  label,
  value,
  options,
  onChoose,
}: SelectProps<Value>) => (
  <Field label={label}>
    <select
      className="field"
      value={value}
      onChange={(event) => {
        const next = options.find(([each]) => each === event.currentTarget.value);
        if (next) onChoose(next[0]);
      }}
    >
      {options.map(([each, name]) => (
        <option key={each} value={each}>
          {name}
        </option>
      ))}
    </select>
  </Field>
);

/** Yes or no. */
export const Tick = ({
  label,
  done,
  onSet,
}: {
  readonly label: string;
  readonly done: boolean;
  readonly onSet: (done: boolean) => void;
}) => (
  <label className="flex min-h-(--target) items-center gap-2">
    <input
      type="checkbox"
      className="size-5 accent-record"
      checked={done}
      onChange={(event) => {
        onSet(event.currentTarget.checked);
      }}
    />
    <span>{label}</span>
  </label>
);

interface CountProps {
  readonly label: string;
  readonly value: number | null;
  readonly onSet: (value: number | null) => void;
  readonly placeholder?: string;
  readonly most?: number;
  readonly step?: number;
  readonly least?: number;
}

/** A number, or nothing yet. */
export const CountInput = ({
  label,
  value,
  onSet,
  placeholder,
  least = 0,
  most = 100_000,
  step = 1,
}: CountProps) => (
  <Field label={label}>
    <input
      type="number"
      className="field figures"
      min={least}
      max={most}
      step={step}
      placeholder={placeholder}
      value={value ?? ''}
      onChange={(event) => {
        const { value: typed, valueAsNumber } = event.currentTarget;
        onSet(
          typed === '' || !Number.isFinite(valueAsNumber)
            ? null
            : Math.min(most, Math.max(least, valueAsNumber)),
        );
      }}
    />
  </Field>
);
