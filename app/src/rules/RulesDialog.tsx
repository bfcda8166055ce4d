import { isRuleId, rulesOf } from '@ombra/core/rules';
import type { Plan, PlanEdit } from '@ombra/core/kernel/plan';
import type { RuleBook, RuleId } from '@ombra/core/kernel/rules';
import { useMemo, useState } from 'react';
import { RULE_GROUPS } from '../stages';
import { Dialog } from '../ui/Dialog';
import { RuleRow } from './RuleRow';

interface RulesDialogProps {
  readonly plan: Plan;
  /** The rule that it is opened at; the empty text for all of them, null where it is closed. */
  readonly at: string | null;
  readonly onAt: (rule: string) => void;
  readonly onEdit: (edit: PlanEdit) => void;
  readonly onClose: () => void;
}

/** Rules of every group whose sentence holds all the words; groups that are left with none go. */
export function groupedRules(
  words: string,
  book: RuleBook,
): readonly { readonly name: string; readonly ids: readonly RuleId[] }[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = (id: RuleId): boolean => {
    const told = `${book[id].statement} ${book[id].reason}`.toLowerCase();
    return wanted.every((word) => told.includes(word));
  };
  return RULE_GROUPS.map(({ name, ids }) => ({ name, ids: ids.filter(isRuleId).filter(fits) })).filter(
    (group) => group.ids.length > 0,
  );
}

/** Every house rule of the job. Where crews differ, the job decides; the wall is planned again at once. */
export function RulesDialog({ plan, at, onAt, onEdit, onClose }: RulesDialogProps) {
  const rules = useMemo(() => rulesOf(plan), [plan]);
  const [words, setWords] = useState('');
  const found = useMemo(() => groupedRules(words, rules.book), [words, rules]);
  const open = at !== null;
  const one = at === null || at === '' ? null : at;
  const own = RULE_GROUPS.filter(({ ids }) => one !== null && ids.includes(one));
  const groups = one !== null && isRuleId(one) ? own.map(({ name }) => ({ name, ids: [one] })) : found;
  return (
    <Dialog title="House rules of this job" open={open} onClose={onClose}>
      <p className="text-sm text-quiet">
        Crews differ. Changes here apply to this job only, and the wall is planned again at once. The stamped
        drawings, the form maker’s manual and the local code come first.
      </p>
      {open && (
        <>
          {one !== null && (
            <button
              type="button"
              className="button mt-2"
              onClick={() => {
                onAt('');
              }}
            >
              All house rules
            </button>
          )}
          {one === null && (
            <label className="mt-2 flex items-center gap-2">
              <span className="heading">Find a rule</span>
              <input
                className="field w-64!"
                type="search"
                placeholder="plank, lap, cover …"
                value={words}
                onChange={(event) => {
                  setWords(event.currentTarget.value);
                }}
              />
            </label>
          )}
          {groups.length === 0 && <p className="mt-2">No rule with these words.</p>}
          {groups.map(({ name, ids }) => (
            <section key={name} aria-label={name} className="mt-3">
              <h3 className="heading border-b border-ink">
                {name} {one === null && <span className="text-quiet">{ids.length}</span>}
              </h3>
              <ul>
                {ids.map((id) => (
                  <RuleRow key={id} id={id} rules={rules} units={plan.units} onEdit={onEdit} />
                ))}
              </ul>
            </section>
          ))}
        </>
      )}
      <button type="button" className="button strong mt-4" onClick={onClose}>
        Close
      </button>
    </Dialog>
  );
}
