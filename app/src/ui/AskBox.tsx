import type { LucideIcon } from 'lucide-react';
import { type ReactNode, useState } from 'react';

interface AskBoxProps<Answer> {
  /** What the button says: `Ask the plant`. */
  readonly label: string;
  readonly Icon: LucideIcon;
  readonly url: string;
  /** Takes what the service said, or null where it cannot be read; the page carries no schema library for it. */
  readonly read: (said: unknown) => Answer | null;
  /** What is said of a service that cannot be read or reached: `The plant`. */
  readonly who: string;
  readonly children: (answer: Answer) => ReactNode;
}

/** Asks an outside service that a stand-in plays, and shows what it said. */
export function AskBox<Answer extends object>({
  label,
  Icon,
  url,
  read,
  who,
  children,
}: AskBoxProps<Answer>) {
  const [answer, setAnswer] = useState<Answer | string | null>(null);
  const ask = async (): Promise<void> => {
    try {
      const said: unknown = await (await fetch(url)).json();
      setAnswer(read(said) ?? `${who} sent something unreadable. Type the values in.`);
    } catch {
      setAnswer(`${who} cannot be reached. Type the values in.`);
    }
  };
  return (
    <div className="flex flex-col gap-1">
      <button type="button" className="button self-start" onClick={() => void ask()}>
        <Icon aria-hidden="true" size={15} /> {label}
      </button>
      <div role="status" className="text-[15px]">
        {typeof answer === 'string' && <p className="text-stop">{answer}</p>}
        {answer !== null && typeof answer === 'object' && children(answer)}
      </div>
    </div>
  );
}
