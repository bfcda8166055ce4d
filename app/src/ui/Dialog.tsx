import { type ReactNode, useEffect, useRef } from 'react';

interface DialogProps {
  readonly title: string;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly children: ReactNode;
  /** A dialog that must be answered cannot be dismissed with Escape. */
  readonly mustAnswer?: boolean;
}

/** The browser's own modal dialog, which keeps focus inside and gives it back. */
export function Dialog({ title, open, onClose, children, mustAnswer = false }: DialogProps) {
  const element = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const dialog = element.current;
    if (open && dialog?.open === false) dialog.showModal();
    if (!open && dialog?.open === true) dialog.close();
  }, [open]);
  return (
    <dialog
      ref={element}
      aria-label={title}
      className="lifted m-auto max-w-[min(36rem,calc(100vw-1rem))] p-5 text-ink backdrop:bg-ink/40 max-sm:p-3"
      onClose={onClose}
      onCancel={(event) => {
        if (mustAnswer) event.preventDefault();
      }}
    >
      <h2 className="mb-2 text-lg font-semibold">{title}</h2>
      {children}
    </dialog>
  );
}
