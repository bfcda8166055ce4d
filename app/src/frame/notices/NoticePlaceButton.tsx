import type { Notice } from '@ombra/core/kernel/notices';

/** The place of a notice, which can be gone to where there is anywhere to go. */
export function NoticePlaceButton({
  notice,
  onGo,
}: {
  readonly notice: Notice;
  /** Goes there; null where the shown stage as a whole is the place. */
  readonly onGo: (() => void) | null;
}) {
  if (!onGo) return <span className="font-semibold">{notice.where}</span>;
  return (
    <button
      type="button"
      className="min-h-6! min-w-0! font-semibold underline decoration-dotted underline-offset-2 pointer-coarse:min-h-11!"
      onClick={onGo}
    >
      {notice.where}
    </button>
  );
}
