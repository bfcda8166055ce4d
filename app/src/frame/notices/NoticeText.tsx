import { type Notice, canSetAside } from '@ombra/core/kernel/notices';
import type { PlanEdit } from '@ombra/core/kernel/plan';
import type { ReactNode } from 'react';
import { useOpenRule } from '../openRule';
import { SetAsideForm } from './SetAsideForm';

/** What a notice can do: change the plan, and go to its place. */
export interface NoticeActions {
  readonly onEdit: (edit: PlanEdit) => void;
  readonly onGo: (notice: Notice) => void;
}

/** A notice: its place, which can be gone to, what is wrong there, why, and what can be done about it. */
export function NoticeText({
  notice,
  before,
  onEdit,
  onGo,
}: NoticeActions & {
  readonly notice: Notice;
  /** What stands before the place. */
  readonly before?: ReactNode;
}) {
  const openRule = useOpenRule();
  const rule = notice.rule ?? notice.place.rule;
  return (
    <>
      <p>
        {before}
        <button
          type="button"
          className="min-h-0 min-w-0 font-semibold underline decoration-dotted underline-offset-2"
          onClick={() => {
            onGo(notice);
          }}
        >
          {notice.where}
        </button>{' '}
        {notice.what}
      </p>
      {notice.why !== undefined && <p className="text-quiet">{notice.why}</p>}
      {(notice.fixes.length > 0 || rule !== undefined || canSetAside(notice)) && (
        <div className="mt-1 flex flex-wrap gap-2">
          {notice.fixes.map((fix) => (
            <button
              key={fix.label}
              type="button"
              className="button figures"
              onClick={() => {
                onEdit(fix.edit);
              }}
            >
              {fix.label}
            </button>
          ))}
          {rule !== undefined && (
            <button
              type="button"
              className="button plain px-1.5 text-quiet"
              onClick={() => {
                openRule(rule);
              }}
            >
              House rule
            </button>
          )}
          {canSetAside(notice) && <SetAsideForm notices={[notice]} onEdit={onEdit} />}
        </div>
      )}
    </>
  );
}
