import { type Notice, canSetAside } from '@ombra/core/kernel/notices';
import type { PlanEdit } from '@ombra/core/kernel/plan';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { useOpenRule } from '../openRule';
import { NoticePlaceButton } from './NoticePlaceButton';
import { SetAsideForm } from './SetAsideForm';

/** What a notice can do: change the plan, and go to its place. */
export interface NoticeActions {
  readonly onEdit: (edit: PlanEdit) => void;
  /** Goes to the place of a notice; null where the shown stage as a whole is its place. */
  readonly goTo: (notice: Notice) => (() => void) | null;
}

/** A notice: its place, which can be gone to, what is wrong there, and its fixes. It opens to the reason and to what else can be done. */
export function NoticeText({
  notice,
  before,
  onEdit,
  goTo,
}: NoticeActions & {
  readonly notice: Notice;
  /** What stands before the place. */
  readonly before?: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  const openRule = useOpenRule();
  const rule = notice.rule ?? notice.place.rule;
  const more = notice.why !== undefined || rule !== undefined || canSetAside(notice);
  const Chevron = open ? ChevronDown : ChevronRight;
  return (
    <>
      <div className="flex items-start justify-between gap-1">
        <p>
          {before}
          <NoticePlaceButton notice={notice} onGo={goTo(notice)} /> {notice.what}
        </p>
        {more && (
          <button
            type="button"
            className="min-h-(--target) min-w-8 shrink-0"
            aria-expanded={open}
            aria-label={`More on ${notice.where}`}
            onClick={() => {
              setOpen(!open);
            }}
          >
            <Chevron aria-hidden="true" size={15} className="inline align-[-2px]" />
          </button>
        )}
      </div>
      {open && notice.why !== undefined && <p className="text-quiet">{notice.why}</p>}
      {(notice.fixes.length > 0 || (open && more)) && (
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
          {open && rule !== undefined && (
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
          {open && canSetAside(notice) && <SetAsideForm notices={[notice]} onEdit={onEdit} />}
        </div>
      )}
    </>
  );
}
