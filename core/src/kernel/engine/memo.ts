/** Keeps the last answer of a pure function and gives it again while its inputs, compared one by one, are the same. */
export function rememberLast<Inputs extends readonly unknown[], Answer>(
  work: (...inputs: Inputs) => Answer,
): (...inputs: Inputs) => Answer {
  let last: { readonly inputs: Inputs; readonly answer: Answer } | undefined;
  return (...inputs) => {
    if (last?.inputs.every((input, index) => Object.is(input, inputs[index])) === true) return last.answer;
    last = { inputs, answer: work(...inputs) };
    return last.answer;
  };
}

/** Gives back the earlier value while a new one is the same JSON, so that equal inputs are also identical ones. */
export function settle<Value>(): (value: Value) => Value {
  let text: string | undefined;
  let settled: Value;
  return (value) => {
    const next = JSON.stringify(value);
    if (next !== text) {
      text = next;
      settled = value;
    }
    return settled;
  };
}
