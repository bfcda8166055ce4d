import { X } from 'lucide-react';
import { type ReactNode, useEffect, useRef } from 'react';

interface CardFrameProps {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A card that lies over the paper beside the drawing: what it changes is seen at once. */
export function CardFrame({ title, onClose, children }: CardFrameProps) {
  const section = useRef<HTMLElement>(null);
  useEffect(() => {
    section.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  return (
    <section ref={section} aria-label={title} className="lifted p-3">
      <div className="mb-2 flex items-start justify-between gap-3">
        <h3 className="font-semibold">{title}</h3>
        <button
          type="button"
          className="button plain px-1.5"
          aria-label={`Close: ${title}`}
          onClick={onClose}
        >
          <X aria-hidden="true" size={16} />
        </button>
      </div>
      {children}
    </section>
  );
}
