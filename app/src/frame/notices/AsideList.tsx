import type { withoutAside } from '@ombra/core/kernel/notices';
import { useState } from 'react';
import { NoticePlaceButton } from './NoticePlaceButton';
import type { NoticeActions } from './NoticeText';

/** Notices that somebody has set aside, with their word; each can be brought back. */
export function AsideList({
  aside,
  onEdit,
  goTo,
}: NoticeActions & { readonly aside: ReturnType<typeof withoutAside>['aside'] }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="mt-2 min-h-(--target) text-sm text-quiet underline decoration-dotted underline-offset-2"
        aria-expanded={open}
        onClick={() => {
          setOpen(!open);
        }}
      >
        {aside.length} set aside
      </button>
      {open && (
        <ul className="flex flex-col gap-2">
          {aside.map(({ notice, word }) => (
            <li key={notice.id} className="border-l-3 border-line pl-2 text-sm text-quiet">
              <p>
                <NoticePlaceButton notice={notice} onGo={goTo(notice)} /> {notice.what}
              </p>
              {word !== '' && <p className="text-ink">“{word}”</p>}
              <button
                type="button"
                className="button plain px-1.5"
                onClick={() => {
                  onEdit({ kind: 'bring-back', notices: [notice.id] });
                }}
              >
                Bring back
              </button>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
