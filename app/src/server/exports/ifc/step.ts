/** A line of a STEP file by its number. */
export interface Ref {
  readonly ref: number;
}

/** A value of a STEP file: nothing, another line, a real number, text, a list; whole numbers, enumerations and typed values are marked. */
export type StepValue =
  | null
  | Ref
  | number
  | string
  | { readonly int: number }
  | { readonly is: string }
  | { readonly typed: string; readonly value: string | number }
  /** Derived, written `*`. */
  | { readonly derived: true }
  | readonly StepValue[];

export const DERIVED = { derived: true } as const;
/** A value of an enumeration, written `.AREA.`. */
export const is = (name: string): StepValue => ({ is: name });

/** Text as STEP files keep it: quotes and backslashes doubled, all that is not plain ASCII by its code. [ISO 10303-21] */
export const stepText = (text: string): string =>
  `'${text
    .replaceAll('\\', '\\\\')
    .replaceAll("'", "''")
    .replace(/[^ -~]+/g, (run) => {
      const codes = Array.from(run).map((sign) => (sign.codePointAt(0) ?? 0).toString(16).toUpperCase());
      return codes.some((code) => code.length > 4)
        ? `\\X4\\${codes.map((code) => code.padStart(8, '0')).join('')}\\X0\\`
        : `\\X2\\${codes.map((code) => code.padStart(4, '0')).join('')}\\X0\\`;
    })}'`;

/** A real number always has its point. */
function real(value: number): string {
  if (value === 0) return '0.';
  const text = String(Number(value.toPrecision(15)));
  const [mantissa = '', exponent] = text.split('e');
  const pointed = mantissa.includes('.') ? mantissa : `${mantissa}.`;
  return exponent === undefined ? pointed : `${pointed}E${exponent}`;
}

function written(value: StepValue): string {
  if (value === null) return '$';
  if (typeof value === 'number') return real(value);
  if (typeof value === 'string') return stepText(value);
  if ('ref' in value) return `#${String(value.ref)}`;
  if ('int' in value) return String(value.int);
  if ('is' in value) return `.${value.is}.`;
  if ('derived' in value) return '*';
  if ('typed' in value) return `${value.typed}(${written(value.value)})`;
  return `(${value.map(written).join(',')})`;
}

/** Lines of a STEP file as they are added, each with its number. */
export interface StepLines {
  readonly add: (entity: string, ...values: readonly StepValue[]) => Ref;
  readonly lines: () => readonly string[];
}

export function stepLines(): StepLines {
  const lines: string[] = [];
  return {
    add: (entity, ...values) => {
      const ref = lines.length + 1;
      lines.push(`#${String(ref)}=${entity}(${values.map(written).join(',')});`);
      return { ref };
    },
    lines: () => lines,
  };
}

/** What the head of a STEP file says. */
export interface StepHead {
  readonly name: string;
  /** `2027-04-06T15:00:00`. */
  readonly time: string;
  readonly schema: string;
  readonly view: string;
}

/** A whole STEP file. [ISO 10303-21] */
export const stepFile = ({ name, time, schema, view }: StepHead, lines: readonly string[]): string =>
  [
    'ISO-10303-21;',
    'HEADER;',
    `FILE_DESCRIPTION((${stepText(`ViewDefinition [${view}]`)}),'2;1');`,
    `FILE_NAME(${stepText(name)},${stepText(time)},(''),(''),'Ombra','Ombra','');`,
    `FILE_SCHEMA((${stepText(schema)}));`,
    'ENDSEC;',
    'DATA;',
    ...lines,
    'ENDSEC;',
    'END-ISO-10303-21;',
    '',
  ].join('\n');
