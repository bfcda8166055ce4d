import { type Notice, asSeen } from '@ombra/core/kernel/notices';
import type { PlanEdit } from '@ombra/core/kernel/plan';
import { useState } from 'react';

/** Takes notices off the list that somebody has seen and accepted, with a word on why they can stand. */
export function SetAsideForm({
  notices,
  onEdit,
}: {
  readonly notices: readonly Notice[];
  readonly onEdit: (edit: PlanEdit) => void;
}) {
  const [word, setWord] = useState<string | null>(null);
  const many = notices.length > 1;
  if (word === null) {
    return (
      <button
        type="button"
        className="button plain px-1.5 text-quiet"
        onClick={() => {
          setWord('');
        }}
      >
        {many ? `Set all ${String(notices.length)} aside` : 'Set aside'}
      </button>
    );
  }
  return (
    <form
      className="flex w-full flex-wrap gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        onEdit({
          kind: 'set-aside',
          notices: notices.map(asSeen),
          word: word.trim(),
        });
      }}
    >
      <input
        onKeyDown={(event) => {
          if (event.key !== 'Escape') return;
          event.stopPropagation();
          setWord(null);
        }}
        // The field has just been asked for.
        ref={(field) => {
          field?.focus();
        }}
        className="field"
        aria-label="Why it can stay"
        placeholder="Why it can stay, if you like"
        maxLength={300}
        value={word}
        onChange={(event) => {
          setWord(event.currentTarget.value);
        }}
      />
      <button type="submit" className="button">
        Set aside
      </button>
      <button
        type="button"
        className="button plain"
        onClick={() => {
          setWord(null);
        }}
      >
        Cancel
      </button>
    </form>
  );
}
