import { type NoticeGroup, canSetAside, placesOf } from '@ombra/core/kernel/notices';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { type NoticeActions, NoticeText } from './NoticeText';
import { SetAsideForm } from './SetAsideForm';
import { SEVERITY_LOOKS } from './severity';

/** One line per cause. A single notice is shown in full; several show their places, and the line opens to each. */
export function NoticeLine({
  group,
  from,
  onEdit,
  goTo,
}: NoticeActions & {
  readonly group: NoticeGroup;
  /** The stage that it belongs to, where that is not the shown one. */
  readonly from?: string | undefined;
}) {
  const [open, setOpen] = useState(false);
  const { word, colour, Icon } = SEVERITY_LOOKS[group.severity];
  const mark = (
    <>
      <Icon aria-hidden="true" size={15} className={`mr-1 inline align-[-2px] ${colour}`} />
      <span className={`font-semibold ${colour}`}>
        {word}
        {from === undefined ? '' : `, ${from}`}
      </span>{' '}
    </>
  );
  const { notices } = group;
  if (notices.length === 1) {
    return (
      <li data-kind={notices[0].kind} className="border-l-3 border-current pl-2 text-sm">
        <NoticeText notice={notices[0]} before={mark} onEdit={onEdit} goTo={goTo} />
      </li>
    );
  }
  const Chevron = open ? ChevronDown : ChevronRight;
  return (
    <li data-kind={notices[0].kind} className="border-l-3 border-current pl-2 text-sm">
      <button
        type="button"
        className="min-h-(--target) w-full text-left"
        aria-expanded={open}
        onClick={() => {
          setOpen(!open);
        }}
      >
        {mark}
        <span className="font-semibold">{group.about}:</span> {placesOf(group)}
        <Chevron aria-hidden="true" size={15} className="ml-1 inline align-[-2px]" />
      </button>
      {open && (
        <>
          <ul className="mt-1 flex flex-col gap-2 border-t border-line pt-1">
            {notices.map((notice) => (
              <li key={notice.id}>
                <NoticeText notice={notice} onEdit={onEdit} goTo={goTo} />
              </li>
            ))}
          </ul>
          {notices.every(canSetAside) && (
            <div className="mt-1">
              <SetAsideForm notices={notices} onEdit={onEdit} />
            </div>
          )}
        </>
      )}
    </li>
  );
}
