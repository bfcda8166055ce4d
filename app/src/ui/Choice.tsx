interface ChoiceProps<Value extends string> {
  readonly label: string;
  readonly name: string;
  readonly value: Value;
  readonly options: readonly { readonly value: Value; readonly label: string }[];
  readonly onChoose: (value: Value) => void;
}

/** A few options side by side, one of them chosen; a radio group, so arrow keys move in it. */
export function Choice<Value extends string>({ label, name, value, options, onChoose }: ChoiceProps<Value>) {
  return (
    <fieldset>
      <legend className="heading mb-0.5">{label}</legend>
      <div className="flex border border-ink">
        {options.map((option) => (
          <label
            key={option.value}
            className="figures flex min-h-(--target) grow items-center justify-center border-r border-line px-2 font-medium last:border-r-0 has-checked:bg-chalk has-checked:text-on-chalk has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-chalk"
          >
            <input
              type="radio"
              className="sr-only"
              name={name}
              checked={option.value === value}
              onChange={() => {
                onChoose(option.value);
              }}
            />
            {option.label}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
