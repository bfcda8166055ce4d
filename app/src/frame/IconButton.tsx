import type { LucideIcon } from 'lucide-react';
import type { ComponentType, ReactNode } from 'react';

/** A button of the header that shows only a picture; its name, and the keys that do the same, show beside it. */
export function IconButton({
  name,
  keys,
  Icon,
  Tip,
  disabled = false,
  onPress,
}: {
  readonly name: string;
  readonly keys: string;
  readonly Icon: LucideIcon;
  /** Shows the words; undefined as long as that is not there. */
  readonly Tip: ComponentType<{ readonly text: string; readonly children: ReactNode }> | undefined;
  readonly disabled?: boolean;
  readonly onPress: () => void;
}) {
  const button = (
    <button
      type="button"
      className="button plain px-1.5"
      aria-label={name}
      disabled={disabled}
      onClick={onPress}
    >
      <Icon aria-hidden="true" size={17} />
    </button>
  );
  return Tip ? <Tip text={`${name} (${keys})`}>{button}</Tip> : button;
}
