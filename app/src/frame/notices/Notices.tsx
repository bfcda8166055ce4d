import type { Notice, Severity } from '@ombra/core/kernel/notices';
import type { PlanEdit } from '@ombra/core/kernel/plan';
import { CircleAlert, Lightbulb, OctagonX } from 'lucide-react';

const LOOKS: Readonly<
  Record<Severity, { readonly word: string; readonly colour: string; readonly Icon: typeof OctagonX }>
> = {
  stop: { word: 'Stop', colour: 'text-stop', Icon: OctagonX },
  check: { word: 'Mind', colour: 'text-check', Icon: CircleAlert },
  tip: { word: 'Tip', colour: 'text-tip', Icon: Lightbulb },
};

interface NoticesProps {
  readonly notices: readonly Notice[];
  readonly onEdit: (edit: PlanEdit) => void;
  readonly onGo: (notice: Notice) => void;
}

/** What is wrong, risky or good to know: a shape, a word, a place, a sentence, and a way out where there is one. */
export function Notices({ notices, onEdit, onGo }: NoticesProps) {
  if (notices.length === 0) return <p className="text-sm text-quiet">Nothing to mind.</p>;
  return (
    <ul className="flex flex-col gap-2">
      {notices.map((notice) => {
        const { word, colour, Icon } = LOOKS[notice.severity];
        return (
          <li key={notice.id} className="border-l-3 border-current pl-2 text-sm">
            <p>
              <Icon aria-hidden="true" size={15} className={`mr-1 inline align-[-2px] ${colour}`} />
              <span className={`font-semibold ${colour}`}>{word}</span>{' '}
              <button
                type="button"
                className="font-semibold underline decoration-dotted underline-offset-2"
                onClick={() => {
                  onGo(notice);
                }}
              >
                {notice.where}
              </button>{' '}
              {notice.what} {notice.why !== undefined && <span className="text-quiet">{notice.why}</span>}
            </p>
            {notice.fixes.length > 0 && (
              <p className="mt-1 flex flex-wrap gap-2">
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
              </p>
            )}
          </li>
        );
      })}
    </ul>
  );
}
