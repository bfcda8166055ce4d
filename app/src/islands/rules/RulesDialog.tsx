import type { Plan } from '@ombra/core/plan/plan';
import type { PlanEdit } from '@ombra/core/plan/edits';
import { houseRules } from '@ombra/core/rules/houseRules';
import { RULES, isRuleId } from '@ombra/core/rules/registry';
import { useMemo } from 'react';
import { Dialog } from '../../ui/Dialog';
import { RuleRow } from './RuleRow';

interface RulesDialogProps {
  readonly plan: Plan;
  readonly open: boolean;
  readonly onEdit: (edit: PlanEdit) => void;
  readonly onClose: () => void;
}

/** Every house rule of the job. Where crews differ, the job decides; the wall is planned again at once. */
export function RulesDialog({ plan, open, onEdit, onClose }: RulesDialogProps) {
  const rules = useMemo(() => houseRules(plan.rules), [plan.rules]);
  return (
    <Dialog title="House rules of this job" open={open} onClose={onClose}>
      <p className="text-sm text-quiet">
        Crews differ. What you change here holds for this job alone, and the wall is planned again at once.
        The stamped drawings, the form maker’s manual and the local code come first.
      </p>
      {open && (
        <ul className="mt-2">
          {Object.keys(RULES)
            .filter(isRuleId)
            .map((id) => (
              <RuleRow key={id} id={id} rules={rules} units={plan.units} onEdit={onEdit} />
            ))}
        </ul>
      )}
      <button type="button" className="button strong mt-4" onClick={onClose}>
        Close
      </button>
    </Dialog>
  );
}
