import type { LucideIcon } from 'lucide-react';
import { Tip } from '../ui/Tip';

/** A button of the header that shows only a picture; its name, and the keys that do the same, show beside it. */
export function IconButton({
  name,
  keys,
  Icon,
  disabled = false,
  onPress,
}: {
  readonly name: string;
  readonly keys: string;
  readonly Icon: LucideIcon;
  readonly disabled?: boolean;
  readonly onPress: () => void;
}) {
  return (
    <Tip text={`${name} (${keys})`}>
      <button
        type="button"
        className="button plain px-1.5"
        aria-label={name}
        disabled={disabled}
        onClick={onPress}
      >
        <Icon aria-hidden="true" size={17} />
      </button>
    </Tip>
  );
}
