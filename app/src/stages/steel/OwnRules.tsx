import { RULES } from '@ombra/core/rules';
import { type UnitSystem, writeQuantity } from '@ombra/core/kernel/measure';
import type { HouseRules, RuleId, RuleOverrides } from '@ombra/core/kernel/rules';
import { RuleLine } from '../../rules/RuleLine';

/** A rule that may differ, in the words of its group. */
interface OwnLine {
  readonly group: string;
  readonly line: string;
  readonly id: RuleId;
}

interface OwnRulesProps {
  /** What they belong to: `garage zone`, `lintel over Window 2`. */
  readonly name: string;
  readonly lines: readonly OwnLine[];
  /** What differs. */
  readonly own: RuleOverrides;
  /** The rules as they hold there. */
  readonly rules: HouseRules;
  readonly units: UnitSystem;
  readonly onPut: (own: RuleOverrides) => void;
}

/** A rule's value as it holds, in the plan's own form. */
function valueOf(id: RuleId, rules: HouseRules): string | number {
  const rule = RULES[id];
  if (rule.type === 'count') return rules.count(id as never);
  if (rule.type === 'choice') return rules.choice(id as never);
  if (rule.type === 'quantity') return writeQuantity(rules.quantity(id as never), rule.of, 'metric');
  return `${String(rules.length(id as never) / 1e6)}mm`;
}

/** The rules in which a part of the job differs, each with its way back, and a list to add another from. */
export function OwnRules({ name, lines, own, rules, units, onPut }: OwnRulesProps) {
  const groups = [...new Set(lines.map(({ group }) => group))];
  const missing = lines.filter(({ id }) => own[id] === undefined);
  return (
    <>
      <ul className="mt-1">
        {lines
          .filter(({ id }) => own[id] !== undefined)
          .map(({ group, line, id }) => (
            <RuleLine
              key={id}
              name={groups.length > 1 ? `${group}: ${line}` : line}
              id={id}
              rules={rules}
              units={units}
              onSet={(value) => {
                const others = Object.entries(own).filter(([each]) => each !== id);
                onPut(Object.fromEntries([...others, ...(value === null ? [] : [[id, value] as const])]));
              }}
            />
          ))}
      </ul>
      <select
        className="field mt-1"
        aria-label={`What differs in the ${name}`}
        value=""
        onChange={(event) => {
          const id = event.currentTarget.value as RuleId;
          onPut({ ...own, [id]: valueOf(id, rules) });
        }}
      >
        <option value="">What differs here …</option>
        {groups.map((group) => (
          <optgroup key={group} label={group}>
            {missing
              .filter((each) => each.group === group)
              .map(({ line, id }) => (
                <option key={id} value={id}>
                  {line}
                </option>
              ))}
          </optgroup>
        ))}
      </select>
    </>
  );
}
